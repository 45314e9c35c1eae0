import type { RequestHandler } from 'express';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';

/** One line a request at level info: who, what, how it ended and how long it took; nothing of its content. */
export function accessLog(log: Logger): RequestHandler {
  return pinoHttp({
    logger: log,
    genReqId: (_request, response) =>
      String((response as { locals?: Record<string, unknown> }).locals?.['requestId']),
    // Failures have their own line, with the error.
    customLogLevel: () => 'info',
    quietReqLogger: true,
    customAttributeKeys: { reqId: 'requestId', responseTime: 'ms' },
    autoLogging: {
      ignore: (request) => !request.url?.startsWith('/api') || request.url.startsWith('/api/health'),
    },
    customProps: (request) => ({
      userId: (request as { session?: { userId?: string } }).session?.userId ?? null,
    }),
    serializers: {
      req: ({ method, url }: { method: string; url: string }) => ({ method, path: url.split('?')[0] }),
      res: ({ statusCode }: { statusCode: number }) => ({ status: statusCode }),
    },
    customSuccessMessage: () => 'answered',
    customErrorMessage: () => 'answered',
  }) as RequestHandler;
}
