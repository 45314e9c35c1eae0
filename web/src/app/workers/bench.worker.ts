import { expose } from 'comlink';
import { runJob } from './bench-api';

/** The benches' computations, away from the page. */
expose({ runJob });
