/**
 * How much each sort of evidence counts, in log-odds (natural logarithm).
 * Fitted by `npm run fit` (bench/src/fit.ts) on Debian's swh-lv2 and swh-plugins; what is marked "kept" is common practice and was not fitted,
 * because those packages say too little about it.
 */
export interface Weights {
  /** Before anything is known: the log-odds of a group that is neither common nor rare, and what the common and rare ones differ by. */
  readonly base: number;
  readonly common: Readonly<Record<string, number>>;
  /** A word of the name, by how clearly it speaks. */
  readonly clear: number;
  readonly hint: number;
  readonly faint: number;
  /** Factors: a word inside a longer one; a word that describes and does not name. */
  readonly part: number;
  readonly describing: number;
  /** Factor on how much clearer another group is spoken for: counts against. */
  readonly rival: number;
  /** A declared type, and being passed over by a declaration. */
  readonly declared: number;
  readonly notDeclared: number;
  /** Factor on the table of ports in evidence.ts. */
  readonly ports: number;
  /** A group that belongs to another kind than the declared one (against). */
  readonly otherKind: number;
  /** Others of the same series, at most; and the user's answers in it, at most. */
  readonly series: number;
  readonly taught: number;
  /** Of no type of the group in particular, against one of its types without evidence at 0. */
  readonly unspecific: number;
}

// Written by `npm run fit`:
export const weights: Weights = {
  base: -2.79,
  common: {
    dynamics: 0.72,
    eq: 0.24,
    filter: 0.71,
    distortion: 0.78,
    reverb: -0.07,
    delay: 0.72,
    modulation: 0.48,
    pitch: 0.11,
    spatial: -0.49,
    restoration: -0.49,
    texture: 0,
    strip: -0.49,
    meter: -0.14,
    utility: 0.84,
    synth: -0.49,
    sampler: -0.49,
    drums: -0.49,
    keys: -0.49,
    acoustic: -0.49,
    notes: -0.49
  },
  clear: 4.03,
  hint: 2.98,
  faint: 1.9,
  part: 1,
  describing: 0.42,
  rival: 0.66,
  declared: 5.6,
  notDeclared: 2.82,
  ports: 1,
  otherKind: 2,
  series: 1.6,
  taught: 4,
  unspecific: 1.2
};
