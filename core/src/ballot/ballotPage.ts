import type { Catalogue } from '../catalogue/index.ts'
import { drawFigure, hundredth, INK, svgBody, svgText } from '../mannequin/index.ts'
import { extentOf, PAGE_FAMILIES, PAPER } from '../show/index.ts'
import type { Ballot } from './ballot.ts'

/** Pairs a voter is asked about before the page says that it is enough. */
const ENOUGH_PAIRS = 15

const css = (fontCss: string) =>
  `${fontCss}:root{color-scheme:light dark}*{box-sizing:border-box}body{margin:0;background:${PAPER.ground};color:${INK};font:17px/1.45 '${PAGE_FAMILIES.text}',sans-serif}main{max-width:920px;margin:0 auto;padding:20px}h1,h2{font-family:'${PAGE_FAMILIES.heading}',sans-serif;line-height:1.15;margin:0 0 6px}h1{font-size:34px}p{margin:6px 0}.soft{color:#5A5244}#choice{display:flex;gap:16px;margin-top:16px}#choice button{flex:1 1 0;min-width:0}button,input,textarea{font:inherit;color:inherit;background:#FFFDF6;border:1px solid #8A7E69;border-radius:10px;padding:8px 14px}button{cursor:pointer;font-weight:700}button.act{background:#2F5D8A;border-color:#2F5D8A;color:#fff}button:focus-visible,input:focus-visible,textarea:focus-visible{outline:3px solid #2F5D8A;outline-offset:2px}svg{display:block;width:100%;height:min(46vh,340px)}#rate article{display:flex;align-items:center;gap:16px;padding:10px 0;border-top:1px solid ${PAPER.line}}#rate svg{width:96px;height:128px;flex:none}fieldset{border:0;margin:0;padding:0}legend{font-weight:700;padding:0}label input{margin-left:6px}label.star{display:inline-flex;align-items:center;gap:4px;margin-right:12px;min-height:44px}textarea{width:100%;min-height:110px;font:14px/1.3 monospace;word-break:break-all}[hidden]{display:none!important}@media(prefers-color-scheme:dark){body{background:#232126;color:#EFE9DC}button,input,textarea{background:#2e2b33}button.act{background:#8fb8dd;border-color:#8fb8dd;color:#16202b}.soft{color:#bdb4a4}svg{background:#EFE7D6;border-radius:10px}}`

/**
 * What the page does, without the ballot's own data, so that its hash is the same for every ballot. Kept plain: it stands in
 * a file that somebody else opens.
 */
export const BALLOT_SCRIPT = `const data=JSON.parse(document.getElementById('data').textContent),$=(id)=>document.getElementById(id),n=data.names.length;
const bytes=crypto.getRandomValues(new Uint8Array(10));let voter='';for(const b of bytes)voter+=b.toString(16).padStart(2,'0');
const pairs=[],stars=Array(n).fill(0);let queue=[];
for(let a=0;a<n;a++)for(let b=a+1;b<n;b++)queue.push(Math.random()<.5?[a,b]:[b,a]);
for(let i=queue.length-1;i>0;i--){const j=Math.floor(Math.random()*(i+1));[queue[i],queue[j]]=[queue[j],queue[i]]}
const all=queue.length,enough=Math.min(all,data.enough);
function sum(text){let s=5381;for(let i=0;i<text.length;i++)s=(Math.imul(s,33)^text.charCodeAt(i))>>>0;return s.toString(36)}
function pack(){const raw=new TextEncoder().encode(JSON.stringify([data.ballot,voter,$('name').value.trim().slice(0,60),new Date().toISOString(),pairs,data.way==='stars'?stars:[]]));let bin='';for(const b of raw)bin+=String.fromCharCode(b);const body=btoa(bin).replaceAll('+','-').replaceAll('/','_').replace(/=+$/,'');return 'outfit-ballot-1.'+body+'.'+sum(body)+'.'}
function tell(){const done=data.way==='pairs'?pairs.length:stars.filter(Boolean).length;$('ready').hidden=done===0;if(done>0)$('answer').value=pack();if(data.way==='pairs')$('left').textContent=pairs.length+' of '+(pairs.length<enough?enough:all)+(pairs.length>=enough?' — that is enough; go on if you like.':'')}
function next(){const pair=queue[0];$('choice').hidden=!pair;$('over').hidden=!!pair;if(pair)[0,1].forEach((k)=>{const b=$('choice').children[k];b.innerHTML='<svg viewBox="'+data.boxes[pair[k]]+'" aria-hidden="true"><use href="#f'+pair[k]+'"/></svg><span></span>';b.lastChild.textContent=data.names[pair[k]]});tell()}
function choose(k){const pair=queue.shift();if(!pair)return;pairs.push(k===0?pair:[pair[1],pair[0]]);next()}
if(data.way==='pairs'){[0,1].forEach((k)=>$('choice').children[k].addEventListener('click',()=>choose(k)));addEventListener('keydown',(e)=>{if(e.target.tagName==='INPUT'||e.target.tagName==='TEXTAREA')return;if(e.key==='1')choose(0);if(e.key==='2')choose(1)});$('back').addEventListener('click',()=>{const last=pairs.pop();if(last){queue.unshift(last);next()}});next()}
else{document.querySelectorAll('#rate input').forEach((r)=>r.addEventListener('change',()=>{stars[+r.name.slice(1)]=+r.value;tell()}));tell()}
$('name').addEventListener('input',tell);
$('copy').addEventListener('click',async()=>{$('answer').select();try{await navigator.clipboard.writeText($('answer').value);$('copied').textContent='Copied. Send it back to whoever sent you this page.'}catch{document.execCommand('copy');$('copied').textContent='Marked: copy it with Ctrl or Cmd+C and send it back.'}});
$('save').addEventListener('click',()=>{const a=document.createElement('a');a.href=URL.createObjectURL(new Blob([$('answer').value],{type:'text/plain'}));a.download='ballot-answer.txt';a.click()});`

const text = (words: string) => svgText(words).replace(/>/g, '&gt;').replace(/"/g, '&quot;')

/**
 * A ballot as a page in one file. It asks nothing of any network; its policy lets nothing run but its own script, whose
 * SHA-256 in base64 is `scriptHash`. Whoever opens it gets a text to send back.
 */
export function ballotPage(
  ballot: Ballot,
  catalogue: Catalogue,
  { fontCss, scriptHash }: { fontCss: string; scriptHash: string },
): string {
  const policy = `default-src 'none'; style-src 'unsafe-inline'; font-src data:; script-src 'sha256-${scriptHash}'; base-uri 'none'; form-action 'none'`
  const drawn = ballot.candidates.map(({ placements }) => {
    const drawing = drawFigure(placements, catalogue)
    const { x, y, width, height } = extentOf(drawing)
    return { box: [x - 6, y - 6, width + 12, height + 12].map(hundredth).join(' '), body: svgBody(drawing.shapes) }
  })
  const data = JSON.stringify({
    ballot: ballot.id,
    way: ballot.way,
    enough: ENOUGH_PAIRS,
    names: ballot.candidates.map(({ name }) => name),
    boxes: drawn.map(({ box }) => box),
  }).replace(/</g, '\\u003c')
  const figures = `<svg width="0" height="0" aria-hidden="true" style="position:absolute;height:0">${drawn.map(({ body }, i) => `<g id="f${i}">${body}</g>`).join('')}</svg>`
  const asked =
    ballot.way === 'pairs'
      ? `<p class="soft">Press the one you like better, or the keys 1 and 2. <span id="left" role="status"></span></p><div id="choice"><button type="button"></button><button type="button"></button></div><p id="over" hidden>Those were all pairs.</p><p><button type="button" id="back">Take the last one back</button></p>`
      : `<div id="rate">${ballot.candidates
          .map(
            ({ name }, i) =>
              `<article><svg viewBox="${drawn[i]!.box}" aria-hidden="true"><use href="#f${i}"/></svg><fieldset><legend>${text(name)}</legend>${[1, 2, 3, 4, 5].map((star) => `<label class="star"><input type="radio" name="s${i}" value="${star}">${star}</label>`).join('')}</fieldset></article>`,
          )
          .join('')}</div><p class="soft">Five stars are the best. Leave out whom you have no mind about.</p>`
  return (
    `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta http-equiv="Content-Security-Policy" content="${policy}">` +
    `<meta name="viewport" content="width=device-width,initial-scale=1"><title>${text(ballot.title)}</title><style>${css(fontCss)}</style></head><body><main>` +
    `<h1>${text(ballot.title)}</h1>${ballot.question ? `<p>${text(ballot.question)}</p>` : ''}${figures}${asked}` +
    `<section id="ready" hidden><h2>Your answer</h2><p><label>Your name, if you like <input id="name" maxlength="60" autocomplete="name"></label></p>` +
    `<textarea id="answer" readonly aria-label="Your answer, to send back"></textarea><p><button type="button" class="act" id="copy">Copy it</button> <button type="button" id="save">Save it as a file</button> <span id="copied" role="status"></span></p><p class="soft">This page sends nothing by itself. Send the text back to whoever sent you the page.</p></section>` +
    `</main><script type="application/json" id="data">${data}</script><script>${BALLOT_SCRIPT}</script></body></html>`
  )
}
