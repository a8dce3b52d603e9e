import PDFDocument from 'pdfkit'

/** A document of loose sheets; none is there until one is laid down. */
export function newPaper(title: string) {
  // Without a type of its own the library would look for one of its files.
  const pdf = new PDFDocument({
    autoFirstPage: false,
    margin: 0,
    font: null as unknown as string,
    info: { Title: title, Producer: 'Blastomix', Creator: 'Blastomix' },
  })
  const chunks: Buffer[] = []
  pdf.on('data', (chunk: Buffer) => chunks.push(chunk))
  const done = new Promise<Buffer>((resolve, reject) => {
    pdf.on('end', () => resolve(Buffer.concat(chunks)))
    pdf.on('error', reject)
  })
  return {
    pdf,
    finish: () => {
      pdf.end()
      return done
    },
  }
}
