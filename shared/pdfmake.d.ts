/** What is used of pdfmake, which has no types of its own. */
declare module 'pdfmake' {
  const pdfmake: {
    setFonts(
      fonts: Record<string, Record<'normal' | 'bold' | 'italics' | 'bolditalics', string>>,
    ): void
    setUrlAccessPolicy(may: (url: string) => boolean): void
    setLocalAccessPolicy(may: (path: string) => boolean): void
    createPdf(definition: object): { getBuffer(): Promise<Buffer> }
  }
  export default pdfmake
}
