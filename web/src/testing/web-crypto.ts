import { webcrypto } from 'node:crypto';

/** What browsers seal with, and the tests' browser lacks. */
export const subtle = webcrypto.subtle;
