import bwipjs from 'bwip-js/node';

/** An address as a code that the camera of any phone opens, as SVG. @param text  at most 300 characters */
export const drawQr = (text: string): string =>
  bwipjs.toSVG({ bcid: 'qrcode', text, scale: 3, paddingwidth: 4, paddingheight: 4, backgroundcolor: 'FFFFFF' });
