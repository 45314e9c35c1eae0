import { expose } from 'comlink';
import { makePlans } from './make-plans';

/** Plans made away from the page. */
expose({ makePlans });
