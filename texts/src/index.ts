/** The language that ships. Another one is a folder beside it with the same functions. */
export * from './en';
