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

/** What is drawn on: three bytes a pixel, row by row. */
interface Sheet {
  readonly width: number;
  readonly height: number;
  readonly data: Buffer;
}
const bytesOfPixel = 3;
/** The colour type of PNG that has these three and no fourth (W3C PNG, 11.2.1). */
const trueColour = 2;

/** 320 × 200 pixels, always the same for the same number. */
export function drawPicture(number: number): Buffer {
  const chance = chanceFrom(number * 7919 + 13);
  const [width, height] = [320, 200];
  const sheet: Sheet = { width, height, data: Buffer.alloc(width * height * bytesOfPixel) };
  const panel = chance.pick(panels);
  const lighter = panel.map((c) => Math.min(255, c + 26)) as unknown as Colour;
  fill(sheet, [0, 0, width, height], panel);
  fill(sheet, [16, 14, 304, 52], lighter);
  if (chance.happens(0.45)) {
    curve(sheet, chance.next() * 6, 0.6 + chance.next());
  } else {
    const knobs = 2 + chance.below(4);
    for (let k = 0; k < knobs; k += 1) {
      knob(sheet, 160 + (k - (knobs - 1) / 2) * 62, 128, 22, chance.next() * 4.6 - 2.3, panel);
    }
  }
  for (let led = 0; led < 5; led += 1) {
    if (chance.happens(0.5)) {
      fill(
        sheet,
        [30 + led * 14, 29, 39 + led * 14, 38],
        pale,
        (x, y) => (x - 34 - led * 14) ** 2 + (y - 33) ** 2 < 16,
      );
    }
  }
  return PNG.sync.write(Object.assign(new PNG(), sheet), {
    deflateLevel: 6,
    filterType: 0,
    inputHasAlpha: false,
    inputColorType: trueColour,
    colorType: trueColour,
  });
}

/** Left, top, right and bottom, in pixels; right and bottom are outside. */
type Box = readonly [number, number, number, number];

/** Fills those pixels of the box that are inside; all of them unless told. */
function fill(
  { width, height, data }: Sheet,
  [left, top, right, bottom]: Box,
  colour: Colour,
  inside?: (x: number, y: number) => boolean,
): void {
  const paint = Buffer.from(colour);
  const from = Math.max(0, left);
  const to = Math.min(width, right);
  const at = (x: number, y: number): number => (y * width + x) * bytesOfPixel;
  for (let y = Math.max(0, top); y < Math.min(height, bottom); y += 1) {
    if (!inside) {
      data.fill(paint, at(from, y), at(to, y));
      continue;
    }
    for (let x = from; x < to; x += 1) {
      if (inside(x, y)) {
        data.set(paint, at(x, y));
      }
    }
  }
}

function knob(
  sheet: Sheet,
  cx: number,
  cy: number,
  radius: number,
  angle: number,
  panel: Colour,
): void {
  const box: Box = [Math.floor(cx - radius), cy - radius, Math.ceil(cx + radius), cy + radius];
  fill(sheet, box, pale, (x, y) => (x - cx) ** 2 + (y - cy) ** 2 < radius ** 2);
  const dx = Math.sin(angle);
  const dy = -Math.cos(angle);
  fill(
    sheet,
    box,
    panel,
    (x, y) =>
      along(x - cx, y - cy, dx, dy) > 5 &&
      along(x - cx, y - cy, dx, dy) < radius - 3 &&
      Math.abs((x - cx) * dy - (y - cy) * dx) < 3,
  );
}
const along = (x: number, y: number, dx: number, dy: number): number => x * dx + y * dy;

function curve(sheet: Sheet, phase: number, bend: number): void {
  const at = (x: number): number =>
    126 + 34 * Math.sin(x / 46 + phase) * Math.exp(-((x - 160) ** 2) / (60_000 * bend));
  for (let x = 23; x < 298; x += 1) {
    fill(sheet, [x, Math.ceil(at(x) - 4), x + 1, Math.floor(at(x) + 4)], pale);
  }
}
