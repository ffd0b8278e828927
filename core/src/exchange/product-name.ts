/** A product's name without what tells its versions and editions apart. */

/** A name taken apart. */
export interface Product {
  /** "Tidehook Denoise" of "Tidehook Denoise 2 LE". */
  readonly base: string;
  /** The number behind the name; 1 where there is none. */
  readonly number: number;
  readonly isLite: boolean;
}

/** Words for lesser editions and for ones that mean nothing here: common practice with no source. */
const lite = /[\s_-]+\(?(?:le|lite|light|intro|free|elements?|essentials?|mini|se|demo|trial)\)?$/i;
const other = /[\s_-]+\(?(?:pro|full|plus|deluxe|studio edition|le?gacy|beta)\)?$/i;
const behind = /[\s_-]*(?:\b(?:mk|mark|v|version)[\s_.-]*)?(?<![\d.])(\d{1,2})$/i;
const roman = /[\s_-]+(ii|iii|iv)$/i;
const numbers: Readonly<Record<string, number>> = { ii: 2, iii: 3, iv: 4 };

/** Takes editions and a version's number off the end of a name. */
export function productOf(name: string): Product {
  let base = name.trim();
  let isLite = false;
  let number = 1;
  for (let before = ''; before !== base; ) {
    before = base;
    isLite ||= lite.test(base);
    base = base.replace(lite, '').replace(other, '');
    const found = behind.exec(base) ?? roman.exec(base);
    if (found && number === 1 && found.index > 2) {
      number = numbers[(found[1] ?? '').toLowerCase()] ?? Number(found[1]);
      base = base.slice(0, found.index);
    }
  }
  return { base: base.trim(), number, isLite };
}
