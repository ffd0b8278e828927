/** The parts of a screen, one of which is shown. */

interface Props<P extends string> {
  /** What they are parts of, for screen readers. */
  readonly label: string;
  readonly parts: readonly (readonly [part: P, words: string])[];
  readonly shown: P;
  readonly onShow: (part: P) => void;
}

export function PartTabs<P extends string>({ label, parts, shown, onShow }: Props<P>) {
  return (
    <nav className="part-tabs" aria-label={label}>
      {parts.map(([part, words]) => (
        <button
          key={part}
          type="button"
          aria-current={part === shown ? 'page' : undefined}
          onClick={() => {
            onShow(part);
          }}
        >
          {words}
        </button>
      ))}
    </nav>
  );
}
