export * from './fault';
export * from './rates';
