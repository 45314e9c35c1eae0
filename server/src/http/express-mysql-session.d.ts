declare module 'express-mysql-session' {
  import type { Store } from 'express-session';
  import type session from 'express-session';

  export default function mysqlSession(
    of: typeof session,
  ): new (options: Record<string, unknown>, pool: unknown) => Store;
}
