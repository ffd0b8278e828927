/**
 * Words of other languages for what plugins do: German, French, Spanish, Italian, Portuguese (from
 * memory; as dictionaries and translated handbooks have them). Accents are folded away.
 */
import type { Row } from './lexicon-rows.ts';

/** Rows as in lexicon.data.ts. */
export const languageRows: readonly Row[] = [
  ['dynamics/compressor', 'compresor, compressore, verdichter', ''],
  ['dynamics/limiter', 'limitador, limitatore, limitierer', ''],
  ['dynamics/gate', 'porte de bruit, puerta de ruido, rauschsperre', ''],
  ['dynamics/expander', 'expansor, espansore, expanseur', ''],
  ['eq', 'ecualizador, equalizzatore, equalizador, klangregler', ''],
  [
    'filter',
    'filtro, filtri, tiefpass, hochpass, bandpass, passe bas, passe haut, paso bajo, passa basso',
    '',
  ],
  ['distortion', 'distorsion, distorsione, distorcao, verzerrung', ''],
  ['distortion/saturation', 'sattigung, saturazione, saturacion', ''],
  ['reverb', 'reverberacion, riverbero, riverberazione, hallgerat, halleffekt', 'halleffekte'],
  ['reverb/plate', 'plattenhall, hallplatte', ''],
  ['reverb/spring', 'federhall', ''],
  ['delay', 'retardo, ritardo, atraso, verzogerung', 'eco'],
  ['delay/tape-echo', 'bandecho, echo a bande', ''],
  ['modulation', 'modulazione, modulacion', ''],
  ['modulation/rotary', 'rotierend, drehlautsprecher', ''],
  ['pitch/pitch-shifter', 'tonhohe, transpositeur, intonazione', ''],
  ['spatial/width', 'stereobreite, elargisseur, ampiezza stereo', ''],
  ['spatial/panner', 'panorama regler, panoramique', ''],
  ['restoration/de-noise', 'rauschunterdruckung, entrauscher, debruiteur', ''],
  ['meter', 'messgerat, anzeige, medidor, misuratore', ''],
  ['meter/tuner', 'stimmgerat, accordeur, afinador, accordatore', ''],
  ['utility/gain', 'verstarkung, ganancia, guadagno, lautstarke, volumen', ''],
  ['utility/mixer', 'mischer, mischpult, mezclador, melangeur, miscelatore', ''],
  ['synth', 'sintetizador, sintetizzatore, synthesizer', ''],
  ['sampler', 'echantillonneur, campionatore, muestreador', ''],
  ['drums', 'schlagzeug, batteria, bateria, batterie', ''],
  ['keys/piano', 'flugel, hammerklavier', ''],
  ['keys/organ', 'orgue, organo', ''],
  ['acoustic/strings', 'streicher, cordes, cuerdas, archi', ''],
  ['acoustic/brass', 'blechblaser, cuivres, ottoni', ''],
  ['acoustic/guitar', 'gitarre, guitarra, chitarra', ''],
];
