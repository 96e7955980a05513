import { readyWorkers } from '../../scripts/support/buildWorkers';

/** Once before all tests on a database, whose services read documents in threads. */
export default readyWorkers;
