import { hundredth, INK, svgBody, svgText } from '../mannequin/index.ts'
import type { CardContent } from './card.ts'
import { extentOf } from './extentOf.ts'
import { PAGE_FAMILIES, PAPER } from './page.ts'
import type { SheetChoices, SheetContent } from './sheet.ts'

/** Shows only figures in which every word of the field is found, and says how many. Kept small: it stands in the file. */
export const SHARE_SCRIPT = `const field=document.getElementById('find'),said=document.getElementById('found'),all=[...document.querySelectorAll('article')];field.addEventListener('input',()=>{const words=field.value.toLowerCase().split(/\\s+/).filter(Boolean);let shown=0;for(const one of all){const hit=words.every(w=>one.textContent.toLowerCase().includes(w));one.hidden=!hit;if(hit)shown++}said.textContent=words.length?shown+' of '+all.length+' figures':''});`

const css = (fontCss: string) =>
  `${fontCss}:root{color-scheme:light dark}*{box-sizing:border-box}body{margin:0;background:${PAPER.ground};color:${INK};font:17px/1.45 '${PAGE_FAMILIES.text}',sans-serif}header,main,footer{max-width:1080px;margin:0 auto;padding:20px}h1,h2{font-family:'${PAGE_FAMILIES.heading}',sans-serif;line-height:1.15;margin:0 0 8px}h1{font-size:40px}p{margin:4px 0}label{display:block;margin-top:16px;font-weight:700}input{font:inherit;padding:8px 12px;width:min(420px,100%);border:1px solid #8A7E69;border-radius:10px;background:#fff;color:${INK}}a{color:#2F5D8A}article{display:flex;flex-wrap:wrap;gap:24px;padding:24px 0;border-top:1px solid ${PAPER.line}}article[hidden]{display:none}article>svg{flex:0 0 200px;height:260px}article>div{flex:1 1 420px;min-width:0}table{border-collapse:collapse;width:100%;font-variant-numeric:tabular-nums}th,td{text-align:left;padding:4px 8px;border-bottom:1px solid ${PAPER.rule};vertical-align:top}th{font-weight:400;color:#5A5244}td.n,th.n{text-align:right;white-space:nowrap}.soft{color:#5A5244}i{display:inline-block;width:13px;height:13px;border:1px solid ${INK};border-radius:3px;vertical-align:-2px;margin-right:5px}@media(prefers-color-scheme:dark){body{background:#232126;color:#EFE9DC}input{background:#2e2b33;color:inherit}a{color:#8fb8dd}th,.soft{color:#bdb4a4}article,th,td{border-color:#4a4650}i{border-color:#EFE9DC}article>svg{background:#EFE7D6;border-radius:10px}}@media print{label,input,.take{display:none}}`

/** A drawing as an element of a page of HTML. */
function figureSvg({ drawing, title }: CardContent): string {
  const { x, y, width, height } = extentOf(drawing)
  const box = [x - 4, y - 4, width + 8, height + 8].map(hundredth).join(' ')
  return `<svg role="img" aria-label="${svgText(`Drawing of ${title}`)}" viewBox="${box}">${svgBody(drawing.shapes)}</svg>`
}

/**
 * All clips once, in a drawing of their own that is always there: a figure that is filtered away takes its definitions with
 * it, also from those that share them.
 */
function withSharedClips(html: string): string {
  const clips = new Set(html.match(/<clipPath .*?<\/clipPath>/g))
  const shared = `<svg width="0" height="0" aria-hidden="true" style="position:absolute"><defs>${[...clips].join('')}</defs></svg>`
  return html.replace(/<defs>.*?<\/defs>/g, '').replace('<main>', `${shared}<main>`)
}

const swatch = (hex: string) => `<i style="background:${hex}"></i>`
const cell = (words: string, more = '') => `<td${more}>${words}</td>`
const text = (words: string) => svgText(words).replace(/>/g, '&gt;')

/**
 * A page that stands in one file: figures with their parts, filter, totals, and a recipe to download. It asks nothing of any
 * network; its policy lets nothing run but its own script, whose SHA-256 in base64 is `scriptHash`.
 */
export function sharePage(
  content: SheetContent,
  choices: Pick<SheetChoices, 'sources' | 'prices' | 'colours' | 'note' | 'credits'>,
  { recipe, fileName, fontCss, scriptHash }: { recipe: string; fileName: string; fontCss: string; scriptHash: string },
): string {
  const policy = `default-src 'none'; style-src 'unsafe-inline'; font-src data:; script-src 'sha256-${scriptHash}'; base-uri 'none'; form-action 'none'`
  const { sources, prices, colours } = choices
  const head = (columns: [string, boolean][]) =>
    `<thead><tr>${columns.map(([name, number]) => `<th scope="col"${number ? ' class="n"' : ''}>${name}</th>`).join('')}</tr></thead>`
  const columns = (sum: boolean): [string, boolean][] => [
    ['How many', true],
    ['Part', false],
    ...(colours ? [['Colour', false] as [string, boolean]] : []),
    ...(sources ? [['Where from', false] as [string, boolean]] : []),
    ...(prices ? [['Cheapest', true] as [string, boolean]] : []),
    ...(prices && sum ? [['Together', true] as [string, boolean]] : []),
  ]
  const row = (
    line: { qty: number; name: string; colour: { name: string; hex: string }; source: string; price: string },
    sum?: string,
  ) =>
    `<tr>${cell(`${line.qty} ×`, ' class="n"')}${cell(text(line.name))}${
      colours ? cell(swatch(line.colour.hex) + text(line.colour.name)) : ''
    }${sources ? cell(text(line.source), ' class="soft"') : ''}${prices ? cell(text(line.price), ' class="n"') : ''}${
      prices && sum !== undefined ? cell(text(sum), ' class="n"') : ''
    }</tr>`
  const articles = content.cards.map(
    ({ faction, card }) =>
      `<article>${figureSvg(card)}<div><h2>${text(card.title)}</h2><p class="soft">${text([faction, card.subtitle].filter(Boolean).join(' · '))}</p><table>${head(columns(false))}<tbody>${card.entries.map((entry) => row(entry)).join('')}</tbody></table></div></article>`,
  )
  return (
    `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta http-equiv="Content-Security-Policy" content="${policy}">` +
    `<meta name="viewport" content="width=device-width,initial-scale=1"><title>${text(content.title)}</title><style>${css(fontCss)}</style></head><body>` +
    `<header><h1>${text(content.title)}</h1>${choices.note ? `<p>${text(choices.note)}</p>` : ''}${content.facts
      .map((fact) => `<p>${text(fact)}</p>`)
      .join('')}${choices.credits ? `<p class="soft">${text(choices.credits)}</p>` : ''}` +
    `<p class="take"><a download="${text(fileName)}" href="data:application/json;base64,${recipe}">Take the recipe</a>: a file from which Outfit tells what of this can be built from an own drawer.</p>` +
    `<label for="find">Find a figure or a part</label><input id="find" type="search" autocomplete="off"> <span id="found" role="status"></span></header>` +
    withSharedClips(`<main>${articles.join('')}`) +
    `<section><h2>All parts</h2><table>${head(columns(true))}<tbody>${content.lines.map((line) => row(line, line.sum)).join('')}</tbody></table>${prices && content.total ? `<p><strong>${text(content.total)}</strong></p>` : ''}</section></main>` +
    `<footer class="soft">${text(content.footer)}</footer><script>${SHARE_SCRIPT}</script></body></html>`
  )
}
