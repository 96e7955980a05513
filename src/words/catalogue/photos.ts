// Made from words/en/photos.json by `npm run words`. Change it there.
import { l, plural, select, type Text } from '@/words/runtime';
import { number } from '@/words/format';

export const photos = (d: { tag: Text }) => l`Photos of ${d.tag}`;
export const photoField = (d: { value: Text; tag: Text; isField: 'yes' | 'no'; field: Text }) => l`Photo ${d.value} of ${d.tag}${select(d.isField, { "yes": l``, "other": l`, field ${d.field}` })}`;
export const photo = () => l`Photo`;
export const photoWaits = (d: { count: number }) => l`photo${plural(d.count, 0, { "one": l``, "other": l` (${number(d.count)} so far)` })}: kept here until the server is back`;
export const photoNotSentTryAgain = () => l`photo not sent: try again`;
export const notPictureChooseAnother = () => l`not a picture: choose another`;
export const photoIdle = () => l`photo`;
