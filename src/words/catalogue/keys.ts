// Made from words/en/keys.json by `npm run words`. Change it there.
import { l, type Text } from '@/words/runtime';

export const findOrScan = () => l`Find or scan`;
export const showKeys = () => l`Show keys`;
export const keysOnThisScreen = () => l`Keys on this screen`;
export const scannerWorksOnEveryScreen = () => l`A scanner works on every screen: a tag opens its unit or part. A foot pedal is the space bar.`;
export const nextLine = () => l`Next line`;
export const previousLine = () => l`Previous line`;
export const takeCode = () => l`Take it`;
export const codeFieldSays = () => l`Enter takes it and the field is free for the next; Escape closes it.`;
export const scanWithCamera = () => l`Scan with the camera`;
export const noPicture = () => l`No picture`;
export const cameraPicture = () => l`Picture of the camera`;
export const codeRead = (d: { code: Text }) => l`Read ${d.code}`;
export const codeOfNoUse = (d: { code: Text }) => l`${d.code} is no tag, and this screen takes no other codes.`;
export const holdCode = () => l`Hold the code still, a hand's width away, with light on it. A tag opens its unit or part; a serial counts at the Dock.`;
export const cameraDenied = () => l`This page may not use the camera. Allow it in the browser’s settings for this address, then open this again. Typing works meanwhile.`;
export const cameraNone = () => l`No camera was found, or another program has it. Close that program, then open this again. Typing works meanwhile.`;
export const cameraInsecure = () => l`Browsers give a camera only to pages behind HTTPS. Ask who runs this server to put it behind HTTPS. Typing works meanwhile.`;
