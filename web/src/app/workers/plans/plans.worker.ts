import { expose } from 'comlink';
import { makeCourse } from './make-course';
import { makePlans } from './make-plans';

/** Plans made away from the page. */
expose({ makePlans, makeCourse });
