/** How bright a picture is and how much of it is edges: what tells a covered or blind camera from one that sees. */
export interface PictureFigures {
  readonly brightness: number;
  readonly sharpness: number;
}

/**
 * Figures of a picture, one decimal each.
 *
 * Sharpness is the variance of the Laplacian (the sum of the four neighbours less four times the pixel), a standard measure of
 * focus (Pech-Pacheco et al. 2000).
 *
 * @param rgba  four bytes a pixel, row by row, at least three pixels wide and high
 */
export function pictureFigures(rgba: Uint8ClampedArray, width: number, height: number): PictureFigures {
  const grey = new Float32Array(width * height);
  let sum = 0;
  for (let at = 0; at < grey.length; at += 1) {
    const value = 0.299 * valueAt(rgba, at * 4) + 0.587 * valueAt(rgba, at * 4 + 1) + 0.114 * valueAt(rgba, at * 4 + 2);
    grey[at] = value;
    sum += value;
  }
  let edges = 0;
  let squares = 0;
  const inner = (width - 2) * (height - 2);
  for (let y = 1; y < height - 1; y += 1)
    for (let x = 1; x < width - 1; x += 1) {
      const at = y * width + x;
      const around =
        valueAt(grey, at - 1) + valueAt(grey, at + 1) + valueAt(grey, at - width) + valueAt(grey, at + width);
      const edge = around - 4 * valueAt(grey, at);
      edges += edge;
      squares += edge * edge;
    }
  const mean = edges / inner;
  return { brightness: tenth(sum / grey.length), sharpness: tenth(squares / inner - mean * mean) };
}

const tenth = (value: number): number => Math.round(value * 10) / 10;

const valueAt = (values: ArrayLike<number>, at: number): number => values[at] ?? 0;
