import { endLeftRunning } from './left-running';

afterAll(endLeftRunning);
