/**
 * What the names of a plugin's controls say of its type (common practice of the trade, no published
 * source). The older rows were tuned by hand on eight LV2 packages of Debian's that `./check` does not
 * install; those of 2026-11-28 on the packages that `npm run fit` is given, with the plugins' names
 * hidden.
 */

/** Controls that speak for a type, once they were written with spaces between their words. */
export interface ControlRow {
  readonly type: string;
  /** At least `least` of these have to be there; each is a pattern for one control's name. */
  readonly some: readonly RegExp[];
  readonly least: number;
  readonly weight: number;
  /** All controls have to be of these. */
  readonly only?: RegExp;
  /** None of these may be there. */
  readonly without?: RegExp;
  /** Said only of what is played by notes, or only of what is not. */
  readonly played?: boolean;
}

const threshold = /\b(thresh(old)?|thr)\b/i;
const ratio = /\bratio\b/i;
const feedback = /\b(feed ?back|regen(eration)?|fb)\b/i;
const depth = /\b(depth|intensity|amount|width)\b/i;
const rate = /\b(rate|speed|period|lfo( freq(uency)?)?)\b/i;

/** In the order of the tree of types. */
export const controlRows: readonly ControlRow[] = [
  {
    type: 'dynamics',
    some: [
      /\b(compressor|expander|gate|limiter|dynamics?( processor)?) (mode|type|on|enabled?)\b/i,
    ],
    least: 1,
    weight: 2,
    played: false,
    without: /\b(eq|equali[sz]er|low ?shelf)\b/i,
  },
  {
    type: 'dynamics/multiband',
    some: [threshold, /\b(cross ?over|split|x ?over)\b/i],
    least: 2,
    weight: 2,
    played: false,
  },
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
    type: 'eq',
    some: [/\b(equali[sz]er|eq) (mode|type|on|enabled?)\b/i],
    least: 1,
    weight: 2,
    played: false,
    without: /\b(thresh(old)?|compressor|gate|limiter)\b/i,
  },
  {
    type: 'eq',
    some: [
      /\b(low?|bass|lf)\b.*\b(gain|level|freq(uency)?|db)\b|\b(gain|level)\b.*\b(low|lf)\b/i,
      /\b(mid|peak|mf|lmf|hmf)\b.*\b(gain|level|freq(uency)?|q|db)\b/i,
      /\b(high|hi|treble|hf)\b.*\b(gain|level|freq(uency)?|db)\b|\b(gain|level)\b.*\b(high|hf)\b/i,
    ],
    least: 2,
    weight: 1.8,
    without: threshold,
  },
  {
    type: 'eq/graphic',
    some: [
      /^\D{0,14}\b(25|31(\.5)?|32|50|60|62|63|64)\s*(hz)?\b/i,
      /^\D{0,14}\b(125|250|500|100|200|400)\s*(hz)?\b/i,
      /^\D{0,14}\b([124-9]|1\.[26]5?|2\.5|3\.15|6\.3|8|10|16)\s*k(hz)?\b|\b(1000|1250|2000|2500|4000|5000|8000|10000|16000)(hz)?\b/i,
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
  {
    type: 'eq/parametric',
    some: [
      /\b(lp|low ?pass|hp|high ?pass)\b/i,
      /\b(ls|low ?shelf|lo ?shelf)\b/i,
      /\b(hs|high ?shelf|hi ?shelf)\b/i,
    ],
    least: 2,
    weight: 2.6,
    played: false,
    without: threshold,
  },
  {
    type: 'eq/parametric',
    some: [/^gain\b/i, /^freq(uency)?\b/i, /^(q|band ?width)\b/i],
    least: 3,
    weight: 2.4,
    played: false,
  },
  {
    type: 'eq',
    some: [
      /\b(gain|level|band|filter)\b.*\b(5|16)\b/i,
      /\b(gain|level|band|filter)\b.*\b(6|17)\b/i,
      /\b(gain|level|band|filter)\b.*\b(7|18)\b/i,
    ],
    least: 3,
    weight: 2.2,
    played: false,
    without:
      /\b(thresh(old)?|attack|knee|compressor|expander|gate|dynamics?|pan|delay|drive|decay|room ?size)\b/i,
  },
  {
    type: 'eq/dynamic-eq',
    some: [threshold, ratio, /\b(shelf|(detect|target) (freq|width)\w*)\b/i],
    least: 3,
    weight: 4,
    played: false,
  },
  {
    type: 'filter',
    some: [/\bres(onance)?\b/i, /\battack\b/i, /\b(sens\w*|upper|lower|range|response)\b/i],
    least: 3,
    weight: 2,
    played: false,
    without: /\b(sustain|thresh(old)?)\b/i,
  },
  {
    type: 'filter',
    some: [/\bcut ?off\b/i, /\b(res(onance)?|q|poles?|stages?|slope|filter type)\b/i],
    least: 2,
    weight: 1.4,
    played: false,
  },
  {
    type: 'filter',
    some: [
      /^(cent(er|re) |corner |filter )?freq(uency)?\b/i,
      /^(filter )?(q|res(onance)?|band ?width|slope|stages)\b/i,
    ],
    least: 2,
    weight: 1.8,
    played: false,
    without: /\b(rate|speed|lfo|thresh\w*|shelf|delay|feed ?back|drive)\b/i,
  },
  { type: 'filter/wah', some: [/\bwah\b/i], least: 1, weight: 3, played: false },
  {
    type: 'distortion/saturation',
    some: [/\bcrackle\b/i, /\b(wear|rpm|dust|scratch\w*|warp\w*)\b/i],
    least: 2,
    weight: 2,
    played: false,
  },
  {
    type: 'distortion',
    some: [/\b(drive|overdrive|distort(ion)?|fuzz|saturation|(?<!(soft|hard)[ -])clip(ping)?)\b/i],
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
  // Of an amplifier with its tremolo.
  {
    type: 'distortion/amp',
    some: [
      /^(gain|drive)\b/i,
      /^(tone|treble|bass)\b/i,
      /^(volume|master)\b/i,
      /\b(speed|vibe|tremolo|intensity)\b/i,
    ],
    least: 4,
    weight: 2.4,
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
  {
    type: 'distortion/saturation',
    some: [/\bwow\b|\bwow(?=[A-Z])/i, /\bflutter\b/i, /\bhiss\b/i],
    least: 2,
    weight: 2.2,
    played: false,
  },
  {
    type: 'distortion/waveshaper',
    some: [/\b(wave ?shape|wrap|fold)\b/i],
    least: 1,
    weight: 2,
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
  {
    type: 'reverb',
    some: [/\broom (length|height|depth)\b/i],
    least: 1,
    weight: 2.4,
    played: false,
  },
  {
    type: 'reverb/convolution',
    some: [/\b(convol\w+|impulse( response)?s?|ir (file|gain|length|select\w*))\b/i],
    least: 1,
    weight: 1.8,
    played: false,
  },
  // The time in which a room falls silent by 60 dB (ISO 3382 writes T60 and RT60).
  { type: 'reverb', some: [/^r?t ?60/i], least: 1, weight: 2.4, played: false },
  {
    type: 'delay/looper',
    some: [/\b(over ?dub|rec(ord)?)\b/i, /\b(play|loop)\b/i],
    least: 2,
    weight: 1.8,
    played: false,
  },
  {
    type: 'delay/multitap',
    some: [/\btap ?1\b/i, /\btap ?2\b/i],
    least: 2,
    weight: 2.4,
    played: false,
  },
  {
    type: 'delay',
    some: [feedback, /\b(delay|echo|tempo|beats?|bpm)\b|^(left |right )?time\b/i],
    least: 2,
    weight: 2,
    without: /\b(cut ?off|rate|speed|lfo)\b/i,
  },
  {
    type: 'delay/multitap',
    some: [/\b(delay|tap|echo)( time)? ?[12]\b/i, /\b(feed ?back|regen\w*) ?[12]\b/i],
    least: 2,
    weight: 2,
    played: false,
    without: /\b(cut ?off|rate|lfo freq\w*)\b/i,
  },
  // What makes up for the way of sound through air is set as a distance.
  {
    type: 'delay',
    some: [/\b((centi|milli)?met(er|re)s?|distance)\b/i, /\btemperature\b/i],
    least: 2,
    weight: 2.6,
    played: false,
  },
  { type: 'delay', some: [/\b(delay|echo)\b.*\b(time|ms|samples)\b/i], least: 1, weight: 1 },
  {
    type: 'modulation',
    some: [/\bmodulation depth\b/i],
    least: 1,
    weight: 1.8,
    played: false,
  },
  {
    type: 'modulation',
    some: [/^(depth|intensity)\b/i, /\bfreq(uency)?\b/i],
    least: 2,
    weight: 1.6,
    played: false,
    without: /\b(q|res(onance)?|shift|drive|cut ?off)\b/i,
  },
  { type: 'modulation', some: [rate, depth], least: 2, weight: 1.8, played: false },
  {
    type: 'modulation',
    some: [/\blfo\b/i, /\b(delay|voices?|detune|sweep|phase)\b/i],
    least: 2,
    weight: 2,
    played: false,
    without: /\bfeed ?back 2\b/i,
  },
  { type: 'modulation/phaser', some: [/\bstages?\b/i, rate], least: 2, weight: 1.8, played: false },
  {
    type: 'pitch/vocoder',
    some: [/\bcarrier\b/i, /\bmodulator\b/i],
    least: 2,
    weight: 3,
    played: false,
  },
  {
    type: 'pitch/pitch-shifter',
    some: [/\boctaves? ?\d?\b/i],
    least: 1,
    weight: 1.4,
    played: false,
    without: /\bper octave\b|\boctave bands?\b/i,
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
    type: 'spatial/width',
    some: [/\b(width|spread)\b/i],
    least: 1,
    weight: 2,
    played: false,
    only: /\b(width|spread|balance|mid|side|mono|gain|volume|level|bypass|enabled?|input|output|rotation)\b/i,
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
  { type: 'texture/granular', some: [/\bgrains?\b/i], least: 1, weight: 2 },
  {
    type: 'meter/tuner',
    some: [/\b(temperament|tuning)\b/i, /\bref(erence)? ?(freq\w*|pitch|note|a ?4?)\b/i],
    least: 2,
    weight: 2.2,
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
    type: 'meter/spectrum',
    some: [/\banaly[sz]er\b/i, /\b(freeze|window(ing)?|tolerance|smoothing|spectr\w+)\b/i],
    least: 2,
    weight: 2.6,
    played: false,
    without: threshold,
  },
  {
    type: 'meter/phase',
    some: [/\bcorrelation\b/i],
    least: 1,
    weight: 1.8,
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
    type: 'utility/gain',
    some: [
      /^((in(put)?|out(put)?|amps?|left|right|[lr]|main|master|trim) )?(gain|volume|level)\b/i,
    ],
    least: 1,
    weight: 1.8,
    played: false,
    only: /^((in(put)?|out(put)?|amps?|left|right|[lr]|main|master|trim) )?(gain|volume|level|mute|bypass|enabled?|phase|invert)\b/i,
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
];
