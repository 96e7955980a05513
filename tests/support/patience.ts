// A busy machine may take its time over a database or a browser; no test asserts how long something takes.
jest.setTimeout(60_000);
