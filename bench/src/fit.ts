/**
 * `npm run fit [-- --unpacked DIRECTORY] [--only NAME]…`: fits core/src/identify/weights.data.ts on the
 * packages that are installed and on those unpacked below the directory (readUnpacked in lv2-truth.ts).
 * With names, only these weights: what the words of a name weigh is taken for too much by a fit on
 * names that the lexicon has been taught since.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { fitSome, fittedNames, fitWeights, loss, viewsOf } from './fitting.ts';
import { readKnown, readUnpacked } from './lv2-truth.ts';
import { weights as current } from '@clever-drawer/core/identify';

const file = join(import.meta.dirname, '../../core/src/identify/weights.data.ts');
const marker = '// Written by `npm run fit`:\n';
const { unpacked, only = [] } = parseArgs({
  options: { unpacked: { type: 'string' }, only: { type: 'string', multiple: true } },
}).values;
const names = fittedNames.filter((name) => only.includes(name));
if (names.length < only.length) {
  throw new Error(`--only takes these: ${fittedNames.join(', ')}`);
}

const known = [...readKnown(), ...(unpacked === undefined ? [] : readUnpacked(unpacked))];
const fitted = names.length === 0 ? fitWeights(known) : fitSome(known, names);
const views = viewsOf(known);
const lossOf = (weights: typeof fitted): string => (loss(views, weights) / known.length).toFixed(3);
console.log(`log loss a plugin, of ${known.length}: ${lossOf(current)} → ${lossOf(fitted)}`);
const source = readFileSync(file, 'utf8');
const written = JSON.stringify(fitted, null, 2)
  .replace(/"(\w+)":/g, '$1:')
  .replaceAll('"', "'");
writeFileSync(
  file,
  `${source.slice(0, source.indexOf(marker))}${marker}/** The fitted weights. Log-odds. */\nexport const weights: Weights = ${written};\n`,
);
