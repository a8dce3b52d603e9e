import { present } from '#core/present'
import { at } from '#core/numeric/at'

/** What a drawing takes from the page it stands in. */
const STYLES = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-linecap',
  'stroke-linejoin',
  'opacity',
  'font-family',
  'font-size',
  'font-weight',
  'font-style',
  'text-anchor',
  'dominant-baseline',
  'visibility',
] as const
const PIXELS = 2

/** A copy whose styles are written into it as attributes: no style may be written into the page. */
function inItsOwnColours<One extends Element>(original: One): One {
  const copy = original.cloneNode(true) as One
  const originals = [original, ...original.querySelectorAll('*')]
  const copies = [copy, ...copy.querySelectorAll('*')]
  originals.forEach((one, i) => {
    const into = at(copies, i)
    const computed = getComputedStyle(one)
    into.removeAttribute('class')
    into.removeAttribute('style')
    if (computed.display === 'none' && one.tagName !== 'pattern') return into.setAttribute('display', 'none')
    for (const key of STYLES) into.setAttribute(key, computed.getPropertyValue(key))
  })
  for (const one of copy.querySelectorAll('[display="none"], foreignObject')) one.remove()
  return copy
}

/** A drawing that stands alone: its colours written into it, the patterns it points at brought along, on its own paper. */
function standingAlone(svg: SVGSVGElement): { text: string; width: number; height: number } {
  const { width, height } = svg.getBoundingClientRect()
  const copy = inItsOwnColours(svg)
  const wanted = new Set(
    [...copy.outerHTML.matchAll(/url\((?:&quot;|["'])?#([^)"'&]+)/g)].map(([, id]) => present(id)),
  )
  const defs = document.createElementNS('http://www.w3.org/2000/svg', 'defs')
  for (const id of wanted) {
    const found = copy.querySelector(`#${CSS.escape(id)}`) ? null : document.getElementById(id)
    if (found) defs.append(inItsOwnColours(found))
  }
  const paper = document.createElementNS('http://www.w3.org/2000/svg', 'rect')
  const box = svg.viewBox.baseVal
  const own = box && box.width > 0 ? box : { x: 0, y: 0, width, height }
  for (const [key, value] of Object.entries({ x: own.x, y: own.y, width: own.width, height: own.height }))
    paper.setAttribute(key, String(value))
  paper.setAttribute('fill', getComputedStyle(document.body).backgroundColor)
  copy.prepend(defs, paper)
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg')
  copy.setAttribute('width', String(width))
  copy.setAttribute('height', String(height))
  if (!svg.hasAttribute('viewBox')) copy.setAttribute('viewBox', `0 0 ${width} ${height}`)
  return { text: new XMLSerializer().serializeToString(copy), width, height }
}

/** Hands a drawing to the reader as a file. @throws Error where the browser cannot draw it */
export async function saveDrawing(svg: SVGSVGElement, name: string, as: 'svg' | 'png'): Promise<void> {
  const { text, width, height } = standingAlone(svg)
  if (as === 'svg') return saveBlob(`${name}.svg`, new Blob([text], { type: 'image/svg+xml' }))
  const picture = new Image()
  picture.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(text)}`
  await picture.decode()
  const canvas = document.createElement('canvas')
  canvas.width = Math.ceil(width * PIXELS)
  canvas.height = Math.ceil(height * PIXELS)
  const paper = present(canvas.getContext('2d'))
  paper.scale(PIXELS, PIXELS)
  paper.drawImage(picture, 0, 0, width, height)
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'))
  if (!blob) throw new Error('The picture could not be drawn.')
  saveBlob(`${name}.png`, blob)
}
