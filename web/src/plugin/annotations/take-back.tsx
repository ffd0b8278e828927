import * as texts from '../texts.ts';
/** Taking back what was said: it is as it was read again. */

export const TakeBack = ({ what, onPress }: { what: string; onPress: () => void }) => (
  <button type="button" className="link-words take-back" onClick={onPress}>
    {texts.useTheOriginal}
    <span className="visually-hidden">{texts.removeYour(what)}</span>
  </button>
);
