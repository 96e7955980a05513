// A busy machine may take its time over a database or a browser; no test asserts how long something takes,
// and none says a limit of its own below this one.
jest.setTimeout(300_000);
