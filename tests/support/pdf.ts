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

interface Node {
  readonly role?: string;
  readonly alt?: string;
  readonly children?: readonly Node[];
}

/** What a reader is told the parts of a PDF are, in their order, with the words for those that are no text. */
export async function pdfParts(data: Uint8Array): Promise<readonly { role: string; alt?: string }[]> {
  const pdf = await getDocument({ data, verbosity: 0 }).promise;
  const flat = (node: Node): { role: string; alt?: string }[] => [
    ...(node.role && node.role !== 'Root'
      ? [{ role: node.role, ...(node.alt ? { alt: node.alt } : {}) }]
      : []),
    ...(node.children ?? []).flatMap(flat)
  ];
  const pages = await Promise.all(
    Array.from({ length: pdf.numPages }, async (_, i) => (await pdf.getPage(i + 1)).getStructTree())
  );
  return pages.flatMap((tree) => (tree ? flat(tree as Node) : []));
}
