import sharp from 'sharp';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { mostPictureBytes, mostPixels } from './pictureLimits';

const longestSide = 1600;
const longestSeconds = 10;
/** What cameras and browsers write, and nothing that holds text, pages or programs. */
const kinds: ReadonlySet<string | undefined> = new Set(['jpeg', 'png', 'webp']);

// One picture at a time in a process, and none of them kept: pages come first.
sharp.concurrency(1);
sharp.cache(false);

/**
 * A picture from outside, as it may be kept: decoded, turned upright, made small and written anew as JPEG, beside the main thread.
 * Nothing of the file goes along but its pixels, so neither the place it was taken at nor anything hidden in it.
 *
 * @param bytes  a file that is said to be a picture
 * @refuses 'picture-too-large' above 3 MB or 50 million pixels; 'picture-unreadable' for what is none, or cut off
 */
export async function storedPicture(bytes: Uint8Array): Promise<Outcome<Buffer>> {
  if (bytes.length > mostPictureBytes) return refuse('picture-too-large');
  if (bytes.length === 0) return refuse('picture-unreadable');
  try {
    const { format, width, height } = await sharp(bytes, { limitInputPixels: false }).metadata();
    if (!kinds.has(format)) return refuse('picture-unreadable');
    if (width * height > mostPixels) return refuse('picture-too-large');
    const written = await sharp(bytes, { limitInputPixels: mostPixels, failOn: 'truncated' })
      .autoOrient()
      .resize({ width: longestSide, height: longestSide, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: 'white' })
      .jpeg({ quality: 82 })
      .timeout({ seconds: longestSeconds })
      .toBuffer();
    return accept(written);
  } catch {
    return refuse('picture-unreadable');
  }
}
