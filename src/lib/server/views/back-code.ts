import { toString as drawCode } from 'qrcode';

/** The code of an address as a picture, for paper: whoever scans it is back there. */
export const backCode = async (address: string): Promise<string> =>
  `data:image/svg+xml;base64,${Buffer.from(await drawCode(address, { type: 'svg', margin: 0 })).toString('base64')}`;
