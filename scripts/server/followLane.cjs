/*
 * Screens that are read again because somebody else did something come one after the other. While facts come in meanwhile,
 * the lane rests after each: whoever waits for their fact comes before a screen that follows.
 */

/** A lane leaves so many times what it took to whoever sends facts. */
const rests = 3;
/** More than that it never rests: a fact that comes every now and then is no storm. */
const longestRestMs = 1000;

/**
 * @param facts  how many facts were asked to be taken in so far, ever
 * @param doors  the clock and a timer, so that it can be tested without waiting
 * @returns takes work that answers a request: it waits for its turn, and is dropped when its request is over before
 */
function makeFollowLane(facts, { now, later } = { now: () => performance.now(), later: setTimeout }) {
  const waiting = [];
  let isTaken = false;
  const turn = async () => {
    const next = waiting.shift();
    if (!next) {
      isTaken = false;
      return;
    }
    isTaken = true;
    const [since, before] = [now(), facts()];
    if (!next.isOver()) await next.work().catch(() => undefined);
    const rest = facts() === before ? 0 : Math.min(longestRestMs, (now() - since) * rests);
    later(turn, rest);
  };
  return (work, isOver) => {
    waiting.push({ work, isOver });
    if (!isTaken) void turn();
  };
}

module.exports = { makeFollowLane };
