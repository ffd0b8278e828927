/** Taking back what was said: it is as it was read again. */

export const TakeBack = ({ what, onPress }: { what: string; onPress: () => void }) => (
  <button type="button" className="link-words take-back" onClick={onPress}>
    as it was read<span className="visually-hidden">: take back the {what}</span>
  </button>
);
