import { createHash } from 'node:crypto'
import { homeMoney } from '@outfit/core/market'
import type { Errand, ErrandList, ErrandStop } from '@outfit/core/errands'

const HEADS: Readonly<Record<ErrandStop['kind'], string>> = {
  bin: 'Bin',
  donor: 'Off',
  seller: 'At the stall of',
  anywhere: 'Nobody sells it singly',
}

const escaped = (text: string) =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;')

const STYLE = `:root{color-scheme:light dark;--paper:light-dark(#f4eee2,#24232a);--card:light-dark(#fffaf0,#302f38);--ink:light-dark(#2a2730,#f1ebdd);--soft:light-dark(#675e50,#b8b0a2);--rule:light-dark(#d8ccb4,#4a4852)}
body{margin:0 auto;max-width:640px;padding:12px 14px 60px;background:var(--paper);color:var(--ink);font:16px/1.4 system-ui,sans-serif}
h1{font-size:24px;margin:0 0 4px}h2{font-size:18px;margin:22px 0 4px}p{margin:0 0 8px;color:var(--soft)}ul{list-style:none;margin:0;padding:0}
li{display:flex;align-items:center;gap:12px;min-height:60px;border-bottom:1px solid var(--rule)}
li>label{display:flex;flex:1;align-items:center;gap:12px;min-height:60px}li svg{width:48px;height:48px;flex:none}
input[type=checkbox]{width:26px;height:26px;flex:none}small{display:block;color:var(--soft);font-size:14px}li.done{opacity:.75;text-decoration:line-through}`

/** What is ticked is kept by the browser the file is opened in. */
const SCRIPT = `const key='outfit.errands.'+document.body.dataset.roster,all=[...document.querySelectorAll('input')];let kept={};try{kept=JSON.parse(localStorage.getItem(key)||'{}')}catch{}
const show=()=>{let done=0;for(const one of all){one.closest('li').classList.toggle('done',one.checked);done+=one.checked?1:0}document.getElementById('done').textContent=done+' of '+all.length}
for(const one of all){if(one.name in kept)one.checked=!!kept[one.name];one.addEventListener('change',()=>{kept[one.name]=one.checked;try{localStorage.setItem(key,JSON.stringify(kept))}catch{}show()})}show()`

const line = (
  { id, part, name, colour, qty, forWhom, price }: Errand,
  pictures: ErrandList['pictures'],
  ticked: boolean,
) =>
  `<li><label><input type="checkbox" name="${escaped(id)}"${ticked ? ' checked' : ''}>${pictures[part] ?? ''}<span><strong>${qty > 1 ? `${qty} × ` : ''}${escaped(name)}</strong> ${escaped(colour)}<small>${escaped(
    [price === null ? '' : `${homeMoney(price)} each`, forWhom.length > 0 ? `for ${forWhom.join(', ')}` : '']
      .filter(Boolean)
      .join(' · '),
  )}</small></span></label></li>`

/** A list to take along as one file: it opens in any browser without a connection, and keeps its ticks there. */
export function errandPage({ of, stops, ticks, pictures }: ErrandList): string {
  const got = new Map(ticks.map((tick) => [tick.id, tick.got]))
  const sections = stops.map(
    ({ kind, name, errands }) =>
      `<section><h2>${HEADS[kind]}${name ? ` ${escaped(name)}` : ''}</h2><ul>${errands
        .map((errand) => line(errand, pictures, (got.get(errand.id) ?? 0) >= errand.qty))
        .join('')}</ul></section>`,
  )
  const policy = `default-src 'none'; style-src 'unsafe-inline'; script-src 'sha256-${createHash('sha256').update(SCRIPT).digest('base64')}'`
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><meta http-equiv="Content-Security-Policy" content="${policy}"><title>${escaped(of.name)} to take along</title><style>${STYLE}</style></head><body data-roster="${escaped(of.id)}"><h1>${escaped(of.name)}</h1><p><span id="done"></span> done. What is ticked stays in this browser.</p>${sections.length > 0 ? sections.join('') : '<p>Nothing is to be fetched.</p>'}<script>${SCRIPT}</script></body></html>
`
}
