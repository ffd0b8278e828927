/**
 * What the names of a plugin's controls say of its type (common practice of the trade, no published
 * source; tuned by hand on eight LV2 packages of Debian's that `./check` does not install).
 */

/** A type that some controls speak for, with the words that say so. */
export interface ControlReading {
  readonly type: string;
  /** In log-odds. */
  readonly weight: number;
  readonly words: readonly string[];
}

interface Row {
  readonly type: string;
  /** At least `least` of these have to be there; each is a pattern for one control's name. */
  readonly some: readonly RegExp[];
  readonly least: number;
  readonly weight: number;
  /** None of these may be there. */
  readonly without?: RegExp;
  /** Said only of what is played by notes, or only of what is not. */
  readonly played?: boolean;
}

const threshold = /\b(thresh(old)?|thr)\b/i;
const ratio = /\bratio\b/i;
const feedback = /\b(feed ?back|regen(eration)?|fb)\b/i;
const depth = /\b(depth|intensity|amount|width)\b/i;
const rate = /\b(rate|speed|lfo( freq(uency)?)?)\b/i;

const rows: readonly Row[] = [
  { type: 'dynamics/compressor', some: [threshold, ratio], least: 2, weight: 3.2 },
  { type: 'dynamics/compressor', some: [/\b(make ?up|knee)\b/i, ratio], least: 2, weight: 2.6 },
  {
    type: 'dynamics/gate',
    some: [threshold, /\b(hold|range|hysteresis|reduction)\b/i],
    least: 2,
    weight: 2.2,
    without: ratio,
  },
  {
    type: 'dynamics/limiter',
    some: [/\b(ceiling|limit|threshold)\b/i, /\b(look ?ahead|release)\b/i],
    least: 2,
    weight: 1.6,
    without: ratio,
  },
  {
    type: 'delay',
    some: [feedback, /\b(delay|echo|tempo|beats?)\b|^(left |right )?time\b/i],
    least: 2,
    weight: 2,
    without: /\b(cut ?off|rate|speed|lfo)\b/i,
  },
  { type: 'delay', some: [/\b(delay|echo)\b.*\b(time|ms|samples)\b/i], least: 1, weight: 1 },
  {
    type: 'reverb',
    some: [
      /\b(room ?size|size)\b/i,
      /\b(damp(ing|en)?|hf ?damp|high ?damp)\b/i,
      /\bpre ?-?delay( ?ms)?\b/i,
      /\b(diffus(ion|e)|density)\b/i,
      /\b(reverb|decay) ?time\b|\brt( ?60)?\b/i,
      /\b(early|late|reflections?|tail)\b/i,
    ],
    least: 2,
    weight: 3.2,
    played: false,
  },
  // The time in which a room falls silent by 60 dB (ISO 3382 writes T60 and RT60).
  { type: 'reverb', some: [/^r?t ?60/i], least: 1, weight: 2.4, played: false },
  {
    type: 'filter',
    some: [/\bcut ?off\b/i, /\b(res(onance)?|q)\b/i],
    least: 2,
    weight: 1.4,
    played: false,
  },
  {
    type: 'eq',
    some: [
      /\b(low|bass|lf)\b.*\b(gain|level|freq(uency)?|db)\b|\b(gain|level)\b.*\b(low|lf)\b/i,
      /\b(mid|peak|mf|lmf|hmf)\b.*\b(gain|level|freq(uency)?|q|db)\b/i,
      /\b(high|treble|hf)\b.*\b(gain|level|freq(uency)?|db)\b|\b(gain|level)\b.*\b(high|hf)\b/i,
    ],
    least: 2,
    weight: 1.8,
    without: threshold,
  },
  {
    type: 'eq/graphic',
    some: [
      /^\D{0,8}\b(25|31(\.5)?|32|50|60|62|63|64)\s*(hz)?\b/i,
      /^\D{0,8}\b(125|250|500|100|200|400)\s*(hz)?\b/i,
      /^\D{0,8}\b([124-9]|1\.[26]5?|2\.5|3\.15|6\.3|8|10|16)\s*k(hz)?\b|\b(1000|2000|4000|8000|16000)\b/i,
    ],
    least: 3,
    weight: 3,
  },
  {
    type: 'eq/parametric',
    some: [
      /\b(bell|shelf|peak(ing)?)\b.*\d|\d.*\b(bell|shelf)\b/i,
      /\b(q|bandwidth)\b.*\d|\d.*\b(q|bandwidth)\b/i,
    ],
    least: 2,
    weight: 1.6,
    without: threshold,
  },
  { type: 'modulation', some: [rate, depth], least: 2, weight: 1.8, played: false },
  { type: 'modulation/phaser', some: [/\bstages?\b/i, rate], least: 2, weight: 1.8, played: false },
  {
    type: 'distortion',
    some: [/\b(drive|overdrive|distort(ion)?|fuzz|saturation|clip(ping)?)\b/i],
    least: 1,
    weight: 1.7,
    played: false,
    without: /\bratio\b/i,
  },
  {
    type: 'distortion/bit-crusher',
    some: [/\bbits?( ?depth)?\b/i, /\b(sample ?rate|down ?sampl\w+|decimat\w+|rate)\b/i],
    least: 2,
    weight: 2.4,
  },
  {
    type: 'distortion/amp',
    some: [
      /\bbass\b/i,
      /\bmid(dle)?\b/i,
      /\btreble\b/i,
      /\bpresence\b/i,
      /\b(gain|drive|pre ?amp)\b/i,
    ],
    least: 4,
    weight: 2.2,
    played: false,
  },
  // The knobs of a pedal, and no others that speak for something else.
  {
    type: 'distortion',
    some: [
      /^(tone|filter|colou?r)\b/i,
      /^(level|volume|output)\b/i,
      /^(sustain|attack|gain|drive)\b/i,
    ],
    least: 3,
    weight: 2,
    played: false,
    without: /\b(thresh(old)?|ratio|decay|release|feedback|freq(uency)?|rate|speed|time)\b/i,
  },
  { type: 'filter/wah', some: [/\bwah\b/i], least: 1, weight: 3, played: false },
  {
    type: 'pitch/pitch-shifter',
    some: [/\boctaves? ?\d?\b/i],
    least: 1,
    weight: 1.4,
    played: false,
    without: /\bper octave\b|\boctave bands?\b/i,
  },
  {
    type: 'dynamics/transient-shaper',
    some: [
      /\battack (boost|gain|amount)\b/i,
      /\b(sustain|release) (boost|gain|amount|threshold)\b/i,
    ],
    least: 2,
    weight: 2.4,
    played: false,
  },
  {
    type: 'distortion/saturation',
    some: [/\bwow\b|\bwow(?=[A-Z])/i, /\bflutter\b/i, /\bhiss\b/i],
    least: 2,
    weight: 2.2,
    played: false,
  },
  {
    type: 'distortion/exciter',
    some: [/\bharmonics?\b/i, /\bblend\b|\bceiling\b/i],
    least: 2,
    weight: 1.6,
    played: false,
  },
  {
    type: 'meter',
    some: [
      /\bfft( ?size)?\b/i,
      /\b(window function|persistence|hold time|reference level|averag\w+)\b/i,
    ],
    least: 2,
    weight: 2.2,
    played: false,
    without: threshold,
  },
  {
    type: 'meter/level',
    some: [/\breference (level)?\b/i, /\b(rms|correlation|peak[ -]?hold|dbfs|dbu)\b/i],
    least: 2,
    weight: 2.2,
    played: false,
    without: threshold,
  },
  {
    type: 'pitch',
    some: [/\b(semi ?tones?|cents|pitch|transpose|detune)\b/i],
    least: 1,
    weight: 1.6,
    played: false,
  },
  {
    type: 'pitch/pitch-correction',
    some: [/\b(pitch )?correction\b/i, /\b(tuning|scale|key|pitch bend( range)?)\b/i],
    least: 2,
    weight: 2.6,
    played: false,
  },
  {
    type: 'spatial',
    some: [/\b(azimuth|elevation|yaw)\b/i],
    least: 1,
    weight: 3,
    played: false,
  },
  {
    type: 'spatial',
    some: [/\b(roll|rotation|stereo ?width|pan(orama)?)\b/i],
    least: 1,
    weight: 1.3,
    played: false,
  },
  {
    type: 'synth',
    some: [/\battack\b/i, /\bdecay\b/i, /\bsustain\b/i, /\brelease\b/i],
    least: 3,
    weight: 1.4,
    played: true,
  },
  {
    type: 'synth',
    some: [/\b(osc(illator)?s?|waveform|wave|dco|vco|pulse ?width|sub ?osc) ?\d?\b/i],
    least: 1,
    weight: 2,
    played: true,
  },
  {
    type: 'sampler',
    some: [/\b(sample|loop) ?(start|end|offset|reverse|loop)\b/i],
    least: 1,
    weight: 1.8,
    played: true,
  },
  { type: 'keys/organ', some: [/\bdraw ?bars?\b/i], least: 1, weight: 3, played: true },
  { type: 'texture/granular', some: [/\bgrains?\b/i], least: 1, weight: 2 },
];

/** What the controls say; `isPlayed`: notes go in and no audio does. */
export function readControls(controls: readonly string[], isPlayed: boolean): ControlReading[] {
  if (controls.length === 0) {
    return [];
  }
  // Names are written with spaces, underscores or capitals in the middle.
  const names = controls.map((name) =>
    name.replaceAll('_', ' ').replace(/(\p{Ll})(\p{Lu})/gu, '$1 $2'),
  );
  return rows.flatMap((row) => {
    if (row.played !== undefined && row.played !== isPlayed) {
      return [];
    }
    if (row.without && names.some((name) => row.without?.test(name))) {
      return [];
    }
    const words = row.some.flatMap((pattern) => names.find((name) => pattern.test(name)) ?? []);
    return words.length >= row.least
      ? [{ type: row.type, weight: row.weight, words: [...new Set(words)].slice(0, 2) }]
      : [];
  });
}
