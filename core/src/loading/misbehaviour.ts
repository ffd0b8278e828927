/**
 * What the last bytes of a program file make it do in the practice session, so that the made-up
 * plugins of the demo can misbehave as real ones do.
 * Real plugins have no such bytes: whether they would crash, only really opening them tells.
 */
export const misbehaviours = {
  crash: 'PRACTICE: crashes on opening',
  'no-licence': 'PRACTICE: no licence',
} as const;
/** A way in which a made-up plugin misbehaves. */
export type Misbehaviour = keyof typeof misbehaviours;
