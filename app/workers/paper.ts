/* Reads PDF for the pages that are shown and shared. */
import 'pdfjs-dist/build/pdf.worker.mjs'
