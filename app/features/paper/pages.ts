import type { PDFPageProxy } from 'pdfjs-dist'

/** A page as it is drawn, with its text. */
export interface DrawnPage {
  picture: Blob
  /** As somebody reads it, line by line. */
  text: string
}

/** Pixels for each point: sharp on a phone, and small enough for a message. */
const SCALE = 2

/** Draws the pages of a PDF in the browser, so that what is shared is what is printed. */
export async function drawPages(file: Blob): Promise<DrawnPage[]> {
  const { getDocument, GlobalWorkerOptions } = await import('pdfjs-dist')
  const worker = new Worker(new URL('../../workers/paper.ts', import.meta.url), { type: 'module' })
  GlobalWorkerOptions.workerPort = worker
  const task = getDocument({ data: await file.arrayBuffer(), isEvalSupported: false })
  const document_ = await task.promise
  try {
    const pages: DrawnPage[] = []
    for (let at = 1; at <= document_.numPages; at++) {
      const page = await document_.getPage(at)
      pages.push({ picture: await pictureOf(page), text: await textOf(page) })
    }
    return pages
  } finally {
    await task.destroy()
    // It is ours: nobody else ends it.
    worker.terminate()
  }
}

async function pictureOf(page: PDFPageProxy): Promise<Blob> {
  const viewport = page.getViewport({ scale: SCALE })
  const canvas = document.createElement('canvas')
  Object.assign(canvas, { width: Math.round(viewport.width), height: Math.round(viewport.height) })
  await page.render({ canvasContext: canvas.getContext('2d')!, viewport }).promise
  const picture = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'))
  if (!picture) throw new Error(t('paper.cannotDraw'))
  return picture
}

async function textOf(page: PDFPageProxy): Promise<string> {
  const { items } = await page.getTextContent()
  let text = ''
  for (const item of items) if ('str' in item) text += item.str + (item.hasEOL ? '\n' : '')
  return text.replace(/[^\S\n]+/g, ' ').trim()
}
