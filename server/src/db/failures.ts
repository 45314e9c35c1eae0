/** What a failed statement means for the one who asked. Codes are those of MariaDB, its driver and Node. */
type Failure = 'again' | 'away' | 'parent-gone' | 'in-use' | 'unstorable' | 'taken' | 'other';

/** Two writers met; the loser may simply try again. */
const AGAIN = new Set(['ER_LOCK_DEADLOCK', 'ER_LOCK_WAIT_TIMEOUT', 'ER_CHECKREAD']);

/** Nothing is wrong with the request: the database cannot do it now. */
const AWAY = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'ETIMEDOUT',
  'ENOENT',
  'EPIPE',
  'PROTOCOL_CONNECTION_LOST',
  'PROTOCOL_SEQUENCE_TIMEOUT',
  'PROTOCOL_ENQUEUE_AFTER_FATAL_ERROR',
  'POOL_CLOSED',
  'WAITED_TOO_LONG',
  'TOO_MANY_WAITING',
  'ER_SERVER_SHUTDOWN',
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
  // A node of a cluster that is not part of its primary component answers this to everything.
  'ER_UNKNOWN_COM_ERROR',
]);

/** Numbers the driver has no name for. */
const AWAY_NUMBERS = new Set([1927, 1969]);

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
  if ((code && AWAY.has(code)) || (errno !== undefined && AWAY_NUMBERS.has(errno))) return 'away';
  return (code && OTHERS[code]) || 'other';
}

/** Whether the connection can no longer be used, or is still busy with a statement nobody waits for. */
export function breaksConnection(error: unknown): boolean {
  const { code, fatal } = (error ?? {}) as { code?: string; fatal?: boolean };
  return Boolean(fatal) || code === 'PROTOCOL_SEQUENCE_TIMEOUT' || code === 'WAITED_TOO_LONG';
}
