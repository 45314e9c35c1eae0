/** What a failed statement means for the one who asked. Codes are those of MariaDB, its driver and Node. */
type Failure = 'again' | 'away' | 'parent-gone' | 'in-use' | 'unstorable' | 'taken' | 'other';

/** Two writers met; the loser may simply try again. */
const AGAIN = new Set(['ER_LOCK_DEADLOCK', 'ER_LOCK_WAIT_TIMEOUT', 'ER_CHECKREAD']);

/** Nothing can be read either: who reads again has the database again. */
const UNREACHED = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'ETIMEDOUT',
  'ENOENT',
  'EPIPE',
  'PROTOCOL_CONNECTION_LOST',
  'ER_SERVER_SHUTDOWN',
  // A node of a cluster that is not part of its primary component answers this to everything.
  'ER_UNKNOWN_COM_ERROR',
]);

/** Nothing is wrong with the request: the database cannot do it now. */
const AWAY = new Set([
  ...UNREACHED,
  'PROTOCOL_SEQUENCE_TIMEOUT',
  'PROTOCOL_ENQUEUE_AFTER_FATAL_ERROR',
  'POOL_CLOSED',
  'WAITED_TOO_LONG',
  'TOO_MANY_WAITING',
  'ER_CONNECTION_KILLED',
  'ER_NEW_ABORTING_CONNECTION',
  'ER_QUERY_INTERRUPTED',
  'ER_STATEMENT_TIMEOUT',
  'ER_CON_COUNT_ERROR',
  'ER_USER_LIMIT_REACHED',
  'ER_TOO_MANY_USER_CONNECTIONS',
  'ER_HOST_IS_BLOCKED',
  'ER_OUT_OF_RESOURCES',
  'ER_OUTOFMEMORY',
  'ER_LOCK_TABLE_FULL',
  'ER_DISK_FULL',
  'ER_RECORD_FILE_FULL',
  'ER_ERROR_ON_WRITE',
  'ER_ERROR_DURING_COMMIT',
  'ER_CANT_CREATE_FILE',
  'ER_OPTION_PREVENTS_STATEMENT',
  'ER_OPEN_AS_READONLY',
  'ER_READ_ONLY_MODE',
  'ER_CANT_EXECUTE_IN_READ_ONLY_TRANSACTION',
]);

/** Numbers the driver has no name for: the connection was killed; the statement took too long. */
const KILLED = 1927;
const TOO_LONG = 1969;

const OTHERS: Record<string, Failure> = {
  ER_NO_REFERENCED_ROW: 'parent-gone',
  ER_NO_REFERENCED_ROW_2: 'parent-gone',
  ER_ROW_IS_REFERENCED: 'in-use',
  ER_ROW_IS_REFERENCED_2: 'in-use',
  ER_DUP_ENTRY: 'taken',
  ER_CONSTRAINT_FAILED: 'unstorable',
  ER_DATA_TOO_LONG: 'unstorable',
  ER_TRUNCATED_WRONG_VALUE: 'unstorable',
  ER_TRUNCATED_WRONG_VALUE_FOR_FIELD: 'unstorable',
  ER_WARN_DATA_OUT_OF_RANGE: 'unstorable',
  ER_INVALID_JSON_TEXT: 'unstorable',
};

export function failureOf(error: unknown): Failure {
  const { code, errno } = (error ?? {}) as { code?: string; errno?: number };
  if (code && AGAIN.has(code)) return 'again';
  if ((code && AWAY.has(code)) || errno === KILLED || errno === TOO_LONG) return 'away';
  return (code && OTHERS[code]) || 'other';
}

/** Too much is asked: no reason to ask another node. */
const OF_ITSELF = new Set(['TOO_MANY_WAITING', 'WAITED_TOO_LONG', 'POOL_CLOSED', 'ER_STATEMENT_TIMEOUT']);

/** Whether another node of a cluster may do what this one did not. */
export function isOfNode(error: unknown): boolean {
  const { code, errno } = (error ?? {}) as { code?: string; errno?: number };
  return failureOf(error) === 'away' && !OF_ITSELF.has(code ?? '') && errno !== TOO_LONG;
}

/** Whether a failure with this code is over with the first thing that is read. */
export function endsWithReading(code: string): boolean {
  return UNREACHED.has(code);
}

/** Said before anything was begun. */
const UNDONE = new Set(['ECONNREFUSED', 'ENOENT', 'ER_UNKNOWN_COM_ERROR', 'ER_CON_COUNT_ERROR']);

/** Whether nothing of a statement that failed was done for sure. */
export function leavesUndone(error: unknown): boolean {
  return UNDONE.has((error as { code?: string }).code ?? '');
}

/** After these nothing more comes on a connection, or it is still busy with a statement nobody waits for. */
const BREAKING = new Set(['PROTOCOL_SEQUENCE_TIMEOUT', 'WAITED_TOO_LONG', 'ER_SERVER_SHUTDOWN']);

/** Whether the connection can no longer be used. */
export function breaksConnection(error: unknown): boolean {
  const { code, errno, fatal } = (error ?? {}) as { code?: string; errno?: number; fatal?: boolean };
  return Boolean(fatal) || BREAKING.has(code ?? '') || errno === KILLED;
}
