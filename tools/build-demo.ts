// Writes the demo songs as project files and lead sheets into demo/files, and read aloud into demo/readings (look at what
// changes there: each line is music somebody has to approve): npm run demo
import { mkdirSync, writeFileSync } from 'node:fs';
import { arrange } from '../core/arrange';
import { writeMusicXml, writeProject } from '../core/formats';
import { applyEdit, DEFAULT_PROFILE } from '../core/song';
import { HANDED_OUT, handoutOf } from '../demo/handouts';
import { offersOf } from '../demo/offers';
import { playingOf } from '../demo/playing';
import { readingOf } from '../demo/reading';
import { DEMO_SONGS } from '../demo/songs';

const folder = new URL('../demo/files/', import.meta.url);
const readings = new URL('../demo/readings/', import.meta.url);
mkdirSync(folder, { recursive: true });
mkdirSync(readings, { recursive: true });
for (const song of DEMO_SONGS) {
  const name = song.id.replace(/^demo-/, '');
  writeFileSync(new URL(`${name}.joined.json`, folder), writeProject({ song, profile: DEFAULT_PROFILE }));
  const leadSheet = arrange(applyEdit(song, { kind: 'choose', choices: { level: 1 } }), DEFAULT_PROFILE, {
    withoutFingers: true,
  });
  writeFileSync(new URL(`${name}.musicxml`, folder), writeMusicXml(leadSheet));
  writeFileSync(new URL(`${song.id}.txt`, readings), readingOf(song).join('\n') + '\n');
  writeFileSync(new URL(`${song.id}-played.txt`, readings), playingOf(song).join('\n') + '\n');
  writeFileSync(new URL(`${song.id}-offers.txt`, readings), offersOf(song).join('\n') + '\n');
}
for (const song of HANDED_OUT)
  writeFileSync(new URL(`${song.id}-handout.txt`, readings), handoutOf(song).join('\n') + '\n');
console.log(`Wrote ${DEMO_SONGS.length} songs into demo/files.`);
