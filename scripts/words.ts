import { writeWords } from './support/writeWords';

/** Compiles the catalogue of words: `npm run words`. */
writeWords();
