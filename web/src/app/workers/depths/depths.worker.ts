import { expose } from 'comlink';
import { computeDepths } from './depths';

/** The grid of a lake's depths, away from the page. */
expose({ computeDepths });
