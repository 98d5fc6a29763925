import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** The text of a PDF page by page, in one line each. */
export async function pdfPages(data: Uint8Array): Promise<string[]> {
  const pdf = await getDocument({ data, verbosity: 0 }).promise;
  return Promise.all(
    Array.from({ length: pdf.numPages }, async (_, i) => {
      const { items } = await (await pdf.getPage(i + 1)).getTextContent();
      return items
        .map((item) => ('str' in item ? item.str : ''))
        .join(' ')
        .replace(/\s+/g, ' ');
    })
  );
}

export const pdfText = async (data: Uint8Array): Promise<string> => (await pdfPages(data)).join(' ');
