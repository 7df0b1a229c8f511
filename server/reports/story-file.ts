import type { SharedStory } from '#shared/contract/client-side'

/* What a client sees as one file that needs no server and fetches nothing: HTML with its style and its picture in it. */

const SIGNS: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' }
const plain = (text: string) => text.replace(/[&<>"]/g, (sign) => SIGNS[sign]!)

const STYLE = `
  :root { color-scheme: light; }
  body { margin: 0; background: #f8f5ee; color: #2a2118; font: 17px/1.5 system-ui, sans-serif; }
  main { max-width: 40rem; margin: 0 auto; padding: 1.5rem 1rem 3rem; }
  header { display: flex; justify-content: space-between; gap: 1rem; border-bottom: 2px solid; padding-bottom: .5rem; }
  h1 { font-size: 1.9rem; line-height: 1.15; margin: 1.25rem 0 .25rem; }
  .faded, footer { color: #66583f; }
  figure { margin: 1rem 0; } figure svg { width: 100%; height: auto; }
  table { width: 100%; border-collapse: collapse; }
  th, td { text-align: right; padding: .35rem 0 .35rem .75rem; border-bottom: 1px solid #dacfba; font-variant-numeric: tabular-nums; }
  th:first-child, td:first-child { text-align: left; padding-left: 0; }
  thead th { border-bottom: 2px solid #2a2118; }
  .photos { display: grid; grid-template-columns: 1fr 1fr; gap: .75rem; } .photos img { width: 100%; height: auto; }
  ul { padding-left: 1.2rem; } footer { font-size: .85rem; margin-top: 1.5rem; }
`

/** A photo in a file. */
export interface FilePicture {
  /** With the picture in it. */
  address: string
  caption: string
}

interface StoryHead {
  gym: string
  day: string
  language: string
  /** What stands over what to do next. */
  next: string
  pictures: readonly FilePicture[]
}

/** Writes a story as a file, with everything that it shows in it. */
export function storyFile(
  story: SharedStory,
  { gym, day, language, next, pictures }: StoryHead,
): string {
  const row = (cells: readonly string[], tag: 'td' | 'th') =>
    `<tr>${cells.map((cell) => (cell ? `<${tag}>${plain(cell)}</${tag}>` : '<td></td>')).join('')}</tr>`
  const { picture } = story
  return `<!doctype html>
<html lang="${plain(language)}">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; img-src data:; style-src 'unsafe-inline'">
<title>${plain(story.head)}</title>
<style>${STYLE}</style>
</head>
<body>
<main>
<header><strong>${plain(gym)}</strong><span class="faded">${plain(day)}</span></header>
<h1>${plain(story.head)}</h1>
<p class="faded">${plain(story.lead)}</p>
${picture ? `<figure role="img" aria-label="${plain(picture.alt)}"><figcaption class="faded">${plain(picture.caption)}</figcaption>${picture.svg}</figure>` : ''}
${story.rows.length ? `<table><thead>${row(story.columns, 'th')}</thead><tbody>${story.rows.map((cells) => row(cells, 'td')).join('')}</tbody></table>` : ''}
${story.next.length ? `<p><strong>${plain(next)}</strong></p><ul>${story.next.map((text) => `<li>${plain(text)}</li>`).join('')}</ul>` : ''}
${pictures.length ? `<div class="photos">${pictures.map(({ address, caption }) => `<figure><img src="${plain(address)}" alt="${plain(caption)}"><figcaption class="faded">${plain(caption)}</figcaption></figure>`).join('')}</div>` : ''}
<footer>${plain(story.small)}</footer>
</main>
</body>
</html>
`
}
