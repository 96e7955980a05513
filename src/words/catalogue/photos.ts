// Made from words/en/photos.json by `npm run words`. Change it there.
import { l, select, type Text } from '@/words/runtime';

export const photos = (d: { tag: Text }) => l`Photos of ${d.tag}`;
export const photoField = (d: { value: Text; tag: Text; isField: 'yes' | 'no'; field: Text }) => l`Photo ${d.value} of ${d.tag}${select(d.isField, { "yes": l``, "other": l`, field ${d.field}` })}`;
export const photo = () => l`Photo`;
export const photoSending = () => l`photo: sending`;
export const photoNotSentTryAgain = () => l`photo not sent: try again`;
export const notPictureChooseAnother = () => l`not a picture: choose another`;
export const photoIdle = () => l`photo`;
