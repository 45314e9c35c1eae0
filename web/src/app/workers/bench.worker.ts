import { expose } from 'comlink';
import { tell } from './bench-api';

/** The benches' computations, away from the page. */
expose({ tell });
