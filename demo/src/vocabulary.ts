/** Invented names. Nothing here is a real vendor or product. */

/** Vendors of Kestrel Quay: name, further spellings, and how many plugins each has of about 690. */
export interface DemoVendor { readonly name: string; readonly spellings: readonly string[]; readonly plugins: number; readonly mail: string }

const vendor = (name: string, plugins: number, ...spellings: string[]): DemoVendor => ({
  name, plugins, spellings: [name, ...spellings], mail: `hello@${name.toLowerCase().replace(/[^a-z]+/g, '')}.invalid`,
});

export const vendors: readonly DemoVendor[] = [
  vendor('Quarterdeck DSP', 64, 'Quarterdeck', 'QUARTERDECK DSP Ltd.'), vendor('Pale Harbour', 55, 'Pale Harbour Audio', 'pale harbour'),
  vendor('Brackenfield', 47, 'Brackenfield Ltd'), vendor('Saltglass', 43, 'SaltGlass', 'Saltglass Audio'), vendor('Osier & Pitch', 34, 'Osier and Pitch'),
  vendor('Mothlight', 31, 'Mothlight Software'), vendor('Copper Wren', 28), vendor('Low Meadow', 25, 'low-meadow', 'Low Meadow GmbH'),
  vendor('Ninefold Circuits', 23), vendor('Thrift Oscillators', 22, 'Thrift'), vendor('Dunnock & Daughters', 20, 'Dunnock and Daughters'), vendor('Weirhouse', 19, 'WEIRHOUSE'),
  vendor('Candlewick Labs', 18), vendor('Northfen', 17, 'North Fen'), vendor('Oxbow Tools', 16), vendor('Little Gannet', 15, 'LittleGannet'),
  vendor('Hollin Works', 14), vendor('Peatsmoke', 13, 'Peat Smoke'), vendor('Ferrywoman', 13), vendor('Marsh Orchid', 12), vendor('Threnodyne', 12, 'Threnodyne Inc'),
  vendor('Bramblewire', 11), vendor('Slate & Tallow', 11, 'Slate and Tallow'), vendor('Corncrake', 10), vendor('Tinderbox Row', 10), vendor('Hobday Electric', 9),
  vendor('Stillwright', 9), vendor('Kittiwake Yard', 8), vendor('Ashlar', 8, 'Ashlar DSP'), vendor('Greyfriar Gate', 7), vendor('Ludd & Lamp', 7, 'Ludd and Lamp'),
  vendor('Pollen Street', 6), vendor('Wicker Signal', 6), vendor('Yarrowby', 5), vendor('Elderfield Sound', 5), vendor('Quoin', 5), vendor('Rushlight', 4),
  vendor('Tansy Mill', 4), vendor('Vole Hollow', 3), vendor('Ebbing', 2),
];

const first = 'Bell Salt Marl Gorse Heron Otter Plover Wrack Tarn Sedge Skerry Lantern Moth Copper Ember Quill Rook Thistle Dunlin Curlew Grebe Petrel Shoal Sand Cistern Tide Weir Sluice Mill Oak Rope Kedge Bosun Hal Fen Loam Brine Cob Dray Flint Gull Hearth Ivy Juniper Knot Larch Mere Nettle Oyster Pewter Reed Sorrel Teasel Umber Vetch Wold Yarn Alder Bracken Chalk'.split(' ');
const second = 'buoy water walk glass pot bank wick stone mark fold line reach holm wood thwaite moor hook garth ford well shaw mouth sill wright lode rigg comb den loft stead'.split(' ');
export const plainWords: readonly string[] = 'Kelp Silt Drizzle Gullwing Ropewalk Lobsterpot Sextant Fathom Selkie Twinmoor Slackwater Bellbuoy Harbourmaster Shoalwater Sandbar Foghorn Quernstone Drip Tidewall Estuary Driftwood Undertow Barnacle Saltmarsh Moonpath Nettlebed Spindle Warren Cobble Haystack Lamplight Pebble Rainbarrel Scullery Thimble Undercroft Weathervane Yardarm Barley Candle Dovecote Eiderdown Furrow Gravel Hedgerow Inkwell Jackdaw Kiln Larder Millrace Needle Orchard Pantry Quilt Rafters Saddle Tallow Vesper Wainscot'.split(' ');

/** All two-part words, in a fixed order. */
export const compounds: readonly string[] = first.flatMap((a) => second.map((b) => a + b));

/** Words that tell a type, as vendors use them. `*` marks types that get more plugins than others. */
export const typeWords: Readonly<Record<string, readonly string[]>> = {
  'dynamics/compressor': ['*', 'Comp', 'Compressor', 'Bus Comp', 'Squeeze', 'Vari Comp'], 'dynamics/multiband': ['Multiband', 'Multi Comp'], 'dynamics/limiter': ['*', 'Limiter', 'Limit'],
  'dynamics/gate': ['Gate', 'Noise Gate'], 'dynamics/expander': ['Expander'], 'dynamics/de-esser': ['De-esser', 'DeEss'], 'dynamics/transient-shaper': ['Transients', 'Transient Shaper'],
  'dynamics/leveller': ['Leveller', 'Level Amp'], 'eq/parametric': ['*', 'EQ', 'Parametric', 'EQ 8', 'Equaliser'], 'eq/graphic': ['Graphic EQ', 'Graphic 31'], 'eq/dynamic-eq': ['Dynamic EQ'],
  'eq/tone': ['*', 'Tone', 'Tilt', 'Shelf EQ'], 'filter/filter': ['Filter', 'Ladder Filter', 'Lowpass'], 'filter/wah': ['Wah', 'Auto Wah'], 'filter/crossover': ['Crossover'],
  'distortion/saturation': ['*', 'Saturator', 'Tape', 'Tube', 'Warmth'], 'distortion/overdrive': ['Overdrive', 'Drive'], 'distortion/fuzz': ['Fuzz'], 'distortion/amp': ['Amp', 'Guitar Amp', 'Bass Amp'],
  'distortion/cabinet': ['Cabinet', 'Speaker'], 'distortion/bit-crusher': ['Crusher', 'Bits'], 'distortion/waveshaper': ['Shaper', 'Waveshaper'], 'distortion/exciter': ['Exciter'],
  'reverb/room': ['*', 'Room', 'Chamber'], 'reverb/hall': ['*', 'Hall', 'Reverb', 'Verb'], 'reverb/plate': ['*', 'Plate'], 'reverb/spring': ['Spring'], 'reverb/convolution': ['Convolver', 'Spaces'],
  'reverb/shimmer': ['Shimmer'], 'delay/delay': ['*', 'Delay', 'Ping-pong Delay', 'Line'], 'delay/tape-echo': ['Tape Echo', 'Echo', 'Slap'], 'delay/multitap': ['Multitap', 'Taps'], 'delay/looper': ['Looper', 'Loop'],
  'modulation/chorus': ['*', 'Chorus', 'Ensemble'], 'modulation/flanger': ['Flanger'], 'modulation/phaser': ['Phaser', 'Phase 6'], 'modulation/tremolo': ['Tremolo', 'Trem'], 'modulation/vibrato': ['Vibrato'],
  'modulation/rotary': ['Rotary'], 'modulation/ring-modulator': ['Ring Mod'], 'modulation/auto-pan': ['Auto Pan'], 'pitch/pitch-shifter': ['Pitch', 'Octaver', 'Shifter'], 'pitch/pitch-correction': ['Tuned', 'Pitch Correct'],
  'pitch/harmoniser': ['Harmony', 'Harmoniser'], 'pitch/vocoder': ['Vocoder'], 'pitch/time-stretch': ['Stretch'], 'spatial/width': ['*', 'Width', 'Wide', 'Mid Side'], 'spatial/panner': ['Panner'],
  'spatial/surround': ['Surround Pan'], 'spatial/ambisonic': ['Ambisonic Encoder', 'Ambisonic Rotate'], 'spatial/headphone': ['Headphones', 'Crossfeed'], 'restoration/de-noise': ['Denoise', 'De-noise'],
  'restoration/de-click': ['De-click', 'De-crackle'], 'restoration/de-hum': ['De-hum'], 'restoration/de-reverb': ['De-reverb'], 'texture/granular': ['Grains', 'Granular'], 'texture/spectral': ['Spectral', 'Freeze'],
  'texture/glitch': ['Glitch', 'Stutter'], 'strip/channel-strip': ['*', 'Strip', 'Channel'], 'strip/multi-effect': ['Multi FX', 'Rack'], 'strip/mastering-chain': ['Mastering', 'Finisher'],
  'meter/level': ['Meter', 'Level Meter'], 'meter/loudness': ['Loudness Meter', 'Loudness'], 'meter/spectrum': ['Analyser', 'Spectrum'], 'meter/scope': ['Scope'], 'meter/phase': ['Correlation'], 'meter/tuner': ['Tuner'],
  'utility/gain': ['Gain', 'Trim'], 'utility/mixer': ['Mixer'], 'utility/router': ['Router', 'Send'], 'utility/converter': ['Mid Side Matrix', 'Converter'], 'utility/test-signal': ['Test Tone', 'Noise Source'],
  'utility/envelope': ['Follower'], 'synth/subtractive': ['*', 'Synth', 'Poly', 'Mono'], 'synth/fm': ['FM', 'FM Synth'], 'synth/wavetable': ['Wavetable', 'Tables'], 'synth/additive': ['Additive', 'Partials'],
  'synth/physical-model': ['Resonator', 'Plucked'], 'synth/modular': ['Modular'], 'synth/vector': ['Vector'], 'sampler/sampler': ['Sampler'], 'sampler/sample-player': ['Player', 'Library'],
  'drums/drum-machine': ['Drum Machine', 'Beats'], 'drums/drum-kit': ['Kit', 'Drums'], 'keys/piano': ['Piano', 'Upright'], 'keys/electric-piano': ['Electric Piano', 'E Piano'], 'keys/organ': ['Organ'],
  'keys/clavinet': ['Clav'], 'acoustic/strings': ['Strings', 'Quartet'], 'acoustic/brass': ['Brass', 'Horns'], 'acoustic/woodwind': ['Woodwind', 'Reeds'], 'acoustic/guitar': ['Guitar', 'Strummed'], 'acoustic/bass': ['Bass', 'Upright Bass'],
  'acoustic/voice': ['Choir', 'Voices'], 'acoustic/percussion': ['Percussion', 'Mallets'], 'notes/arpeggiator': ['Arp', 'Arpeggiator'], 'notes/chord': ['Chords'], 'notes/scale': ['Scale'], 'notes/sequencer': ['Steps', 'Sequencer'],
  'notes/transposer': ['Transpose'], 'notes/note-filter': ['Note Filter'], 'notes/humaniser': ['Humanise'],
};

/** Names that mislead: what the plugin is, and words that sound like something else. */
export const misleading: readonly (readonly [type: string, words: string])[] = [
  ['reverb/hall', 'Gate Reverb'], ['distortion/saturation', 'Tape Echo Wear'], ['dynamics/compressor', 'Synth Bass Compressor'], ['eq/tone', 'Plate Glass'], ['delay/delay', 'Room To Room'],
  ['modulation/chorus', 'String Ensemble'], ['synth/subtractive', 'Filter Choir'], ['dynamics/gate', 'Drum Room Gate'], ['distortion/waveshaper', 'Bandlimited Organ'], ['meter/phase', 'Phaser Check'],
  ['utility/test-signal', 'Piano Tuner Tone'], ['notes/sequencer', 'Delay Line Steps'], ['texture/granular', 'Hall of Grains'], ['pitch/vocoder', 'Choir Strip'], ['reverb/spring', 'Spring Clean'], ['restoration/de-hum', 'Organ Hum Gate'],
];
