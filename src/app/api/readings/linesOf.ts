/**
 * The lines of a body as they come, in groups of those that came together. A line that is longer than may be ends the body.
 *
 * @param most  bytes in a line
 * @param together  lines in a group
 */
export async function* linesOf(
  body: ReadableStream<Uint8Array> | null,
  most: number,
  together: number,
): AsyncGenerator<readonly string[], undefined> {
  if (!body) return undefined;
  const reader = body.pipeThrough(new TextDecoderStream() as ReadableWritablePair<string, Uint8Array>).getReader();
  let rest = '';
  try {
    for (;;) {
      const { value, done } = await reader.read();
      rest += value ?? '';
      const lines = rest.split('\n');
      rest = done ? '' : (lines.pop() ?? '');
      const whole = lines.map((line) => line.trim()).filter((line) => line !== '');
      for (let from = 0; from < whole.length; from += together) yield whole.slice(from, from + together);
      if (done || rest.length > most) return undefined;
    }
  } finally {
    await reader.cancel().catch(() => undefined);
  }
}
