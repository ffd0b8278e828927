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
  /** Factor on the table of controls in controls.data.ts. */
  readonly controls: number;
  /** Factor on the words of its description. */
  readonly description: number;
  /** The share of it that controls and description have beside a name that speaks. */
  readonly besideName: number;
  /** A group that belongs to another kind than the declared one (against). */
  readonly otherKind: number;
  /** Others of the same series, at most; and the user's answers in it, at most. */
  readonly series: number;
  readonly taught: number;
  /** Of no type of the group in particular, against one of its types without evidence at 0. */
  readonly unspecific: number;
  /**
   * What turns the log-odds x of a group for which something speaks into such as come true: shift +
   * slope · x. Platt scaling (J. Platt, Probabilistic Outputs for Support Vector Machines, 1999).
   */
  readonly shift: number;
  readonly slope: number;
}

// Written by `npm run fit`:
/** The fitted weights. Log-odds. */
export const weights: Weights = {
  base: -2.76,
  common: {
    dynamics: 0.51,
    eq: 0.25,
    filter: 0.29,
    distortion: 0.33,
    reverb: 0.15,
    delay: 0.33,
    modulation: 0.23,
    pitch: 0.01,
    spatial: -0.13,
    restoration: -0.41,
    texture: -0.11,
    strip: -0.41,
    meter: 0.33,
    utility: 0.46,
    synth: -0.41,
    sampler: -0.41,
    drums: -0.41,
    keys: -0.41,
    acoustic: -0.41,
    notes: 0.21,
  },
  clear: 3.57,
  hint: 2.22,
  faint: 2.08,
  part: 1.05,
  describing: 0.49,
  rival: 0.66,
  declared: 6.13,
  notDeclared: 5.1,
  ports: 0.76,
  controls: 1.47,
  description: 0.72,
  besideName: 0.38,
  otherKind: 2,
  series: 1.6,
  taught: 5,
  unspecific: 1.2,
  shift: 1.39,
  slope: 0.42,
};
