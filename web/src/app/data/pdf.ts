import { InjectionToken } from '@angular/core';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';

/** Makes a PDF of a document. The maker and its letters load when the first one is asked for. */
async function pdfOf(document: TDocumentDefinitions): Promise<Blob> {
  const [maker, letters] = await Promise.all([
    import('pdfmake/build/pdfmake'),
    import('pdfmake/build/vfs_fonts'),
  ]);
  const pdf = 'default' in maker ? (maker.default as typeof maker) : maker;
  pdf.addVirtualFileSystem('default' in letters ? (letters.default as never) : (letters as never));
  return pdf.createPdf(document).getBlob();
}

/** What makes PDFs of documents. */
export const PDF_MAKER = new InjectionToken('PDF maker', { factory: () => pdfOf });
