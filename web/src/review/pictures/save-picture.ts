import * as texts from '../texts.ts';
/** A drawing of the page as a file of its own: what the style sheet says is written into it. */

/** What of the style a drawing needs. */
const properties = [
  'fill',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'opacity',
  'font-family',
  'font-size',
  'font-weight',
  'text-anchor',
  'dominant-baseline',
] as const;

/** `color(srgb 0.1 0.2 0.3)`, which many programs do not know, as `rgb(26 51 77)`. */
const plainColour = (value: string): string =>
  value.replace(
    /color\(srgb ([\d.]+) ([\d.]+) ([\d.]+)(?: \/ [\d.]+)?\)/g,
    (_, ...parts: string[]) =>
      `rgb(${parts
        .slice(0, 3)
        .map((part) => Math.round(Number(part) * 255))
        .join(', ')})`,
  );

/** The drawing as SVG 1.1, with its ground. */
export function svgTextOf(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const drawn = [svg, ...svg.querySelectorAll('*')];
  const copied = [copy, ...copy.querySelectorAll('*')];
  for (const [at, element] of drawn.entries()) {
    const style = getComputedStyle(element);
    for (const property of properties) {
      copied[at]?.setAttribute(property, plainColour(style.getPropertyValue(property)));
    }
    for (const attribute of ['role', 'tabindex', 'class', 'data-mark']) {
      copied[at]?.removeAttribute(attribute);
    }
  }
  const ground = document.createElementNS('http://www.w3.org/2000/svg', 'rect');
  ground.setAttribute('width', '100%');
  ground.setAttribute('height', '100%');
  ground.setAttribute('fill', getComputedStyle(svg.closest('section') ?? svg).backgroundColor);
  copy.prepend(ground);
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  return new XMLSerializer().serializeToString(copy);
}

/** The drawing as PNG, at twice its size. */
export async function pngOf(svg: SVGSVGElement): Promise<Blob> {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svgTextOf(svg))}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = svg.clientWidth * 2;
  canvas.height = svg.clientHeight * 2;
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) => {
    canvas.toBlob((blob) => {
      if (blob) {
        resolve(blob);
      } else {
        reject(new Error(texts.thePictureCouldNotBeDrawn));
      }
    }, 'image/png');
  });
}
