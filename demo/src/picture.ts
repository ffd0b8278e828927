/** A picture of a plugin's window, drawn plainly: a panel, a title bar, knobs or a curve. PNG. */
import { PNG } from 'pngjs';
import { chanceFrom } from './chance.ts';

type Colour = readonly [number, number, number];
const panels: readonly Colour[] = [
  [107, 64, 105],
  [46, 74, 85],
  [138, 90, 43],
  [89, 84, 72],
  [64, 92, 60],
  [128, 57, 48],
  [68, 82, 120],
  [40, 48, 52],
];
const pale: Colour = [243, 233, 210];

/** 320 × 200 pixels, always the same for the same number. */
export function drawPicture(number: number): Buffer {
  const chance = chanceFrom(number * 7919 + 13);
  const png = new PNG({ width: 320, height: 200 });
  const panel = chance.pick(panels);
  const lighter = panel.map((c) => Math.min(255, c + 26)) as unknown as Colour;
  fill(png, [0, 0, 320, 200], panel);
  fill(png, [16, 14, 304, 52], lighter);
  if (chance.happens(0.45)) {
    curve(png, chance.next() * 6, 0.6 + chance.next());
  } else {
    const knobs = 2 + chance.below(4);
    for (let k = 0; k < knobs; k += 1) {
      knob(png, 160 + (k - (knobs - 1) / 2) * 62, 128, 22, chance.next() * 4.6 - 2.3, panel);
    }
  }
  for (let led = 0; led < 5; led += 1) {
    if (chance.happens(0.5)) {
      fill(
        png,
        [30 + led * 14, 29, 39 + led * 14, 38],
        pale,
        (x, y) => (x - 34 - led * 14) ** 2 + (y - 33) ** 2 < 16,
      );
    }
  }
  return PNG.sync.write(png, { deflateLevel: 6, filterType: 0, colorType: 2 });
}

/** Left, top, right and bottom, in pixels; right and bottom are outside. */
type Box = readonly [number, number, number, number];

function fill(
  png: PNG,
  [left, top, right, bottom]: Box,
  [red, green, blue]: Colour,
  inside: (x: number, y: number) => boolean = () => true,
): void {
  for (let y = Math.max(0, top); y < Math.min(png.height, bottom); y += 1) {
    for (let x = Math.max(0, left); x < Math.min(png.width, right); x += 1) {
      if (inside(x, y)) {
        png.data.set([red, green, blue, 255], (y * png.width + x) * 4);
      }
    }
  }
}

function knob(
  png: PNG,
  cx: number,
  cy: number,
  radius: number,
  angle: number,
  panel: Colour,
): void {
  const box: Box = [Math.floor(cx - radius), cy - radius, Math.ceil(cx + radius), cy + radius];
  fill(png, box, pale, (x, y) => (x - cx) ** 2 + (y - cy) ** 2 < radius ** 2);
  const dx = Math.sin(angle);
  const dy = -Math.cos(angle);
  fill(
    png,
    box,
    panel,
    (x, y) =>
      along(x - cx, y - cy, dx, dy) > 5 &&
      along(x - cx, y - cy, dx, dy) < radius - 3 &&
      Math.abs((x - cx) * dy - (y - cy) * dx) < 3,
  );
}
const along = (x: number, y: number, dx: number, dy: number): number => x * dx + y * dy;

function curve(png: PNG, phase: number, bend: number): void {
  const at = (x: number): number =>
    126 + 34 * Math.sin(x / 46 + phase) * Math.exp(-((x - 160) ** 2) / (60_000 * bend));
  for (let x = 23; x < 298; x += 1) {
    fill(png, [x, Math.ceil(at(x) - 4), x + 1, Math.floor(at(x) + 4)], pale);
  }
}
