import { bigFiles } from './bench-tune';
import { openFile } from '../core/formats';
import { arrange, arrangeInSlices } from '../core/arrange';
import { DEFAULT_PROFILE } from '../core/song';
const f = bigFiles();
for (let r=0;r<2;r++) for (const x of f) { const t=performance.now(); const o:any = openFile(x.name, x.bytes, 'id'); const t1=performance.now(); const song = o.tunes[0].song; 
let first=0; const g:any = (arrangeInSlices as any)(song, DEFAULT_PROFILE, {}); let n=0; for(;;){const s=g.next(); n++; if(!first && s.value) first=performance.now()-t1; if(s.done) break;}
console.log(x.name, x.bytes.length, 'open', (t1-t).toFixed(0), 'first', first.toFixed(0), 'arrange', (performance.now()-t1).toFixed(0), n, o.tunes.length, song?.melody?.length, song?.changes?.length); }
