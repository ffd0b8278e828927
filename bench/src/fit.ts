/**
 * `npm run fit [-- --unpacked DIRECTORY]`: fits core/src/identify/weights.data.ts on the packages that
 * are installed and on those unpacked below the directory (readUnpacked in lv2-truth.ts).
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { fitWeights, loss, viewsOf } from './fitting.ts';
import { readKnown, readUnpacked } from './lv2-truth.ts';
import { weights as current } from '@clever-drawer/core';

const file = join(import.meta.dirname, '../../core/src/identify/weights.data.ts');
const marker = '// Written by `npm run fit`:\n';
const { unpacked } = parseArgs({ options: { unpacked: { type: 'string' } } }).values;

const known = [...readKnown(), ...(unpacked === undefined ? [] : readUnpacked(unpacked))];
const fitted = fitWeights(known);
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
