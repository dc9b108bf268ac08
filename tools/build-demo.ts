// Writes the demo songs as project files and lead sheets into demo/files: npm run demo
import { mkdirSync, writeFileSync } from 'node:fs';
import { arrange } from '../core/arrange';
import { writeMusicXml, writeProject } from '../core/formats';
import { applyEdit, DEFAULT_PROFILE } from '../core/song';
import { DEMO_SONGS } from '../demo/songs';

const folder = new URL('../demo/files/', import.meta.url);
mkdirSync(folder, { recursive: true });
for (const song of DEMO_SONGS) {
  const name = song.id.replace(/^demo-/, '');
  writeFileSync(new URL(`${name}.joined.json`, folder), writeProject({ song, profile: DEFAULT_PROFILE }));
  const leadSheet = arrange(applyEdit(song, { kind: 'choose', choices: { rung: 1 } }), DEFAULT_PROFILE, {
    withoutFingers: true,
  });
  writeFileSync(new URL(`${name}.musicxml`, folder), writeMusicXml(leadSheet));
}
console.log(`Wrote ${DEMO_SONGS.length} songs into demo/files.`);
