/** What can be done to all of the tray. */
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { MenuTarget } from '../../annotate/menu-target.ts';
import { GatherRule } from '../forms/gather-rule.tsx';
import { Kbd } from '../../ui/kbd.tsx';
import * as formTexts from '../forms/texts.ts';

interface Props {
  readonly plugins: readonly string[];
  readonly onFile: () => void;
  readonly onEmpty: () => void;
  readonly onMenu: (target: MenuTarget) => void;
}

export function TrayActs({ plugins, onFile, onEmpty, onMenu }: Props) {
  const [isGathering, setGathering] = useState(false);
  return (
    <>
      <span className="tray-acts">
        <Button className="file-tray" onClick={onFile}>
          {formTexts.fileTrayIn(plugins.length)} <Kbd keys="Shift" /> <kbd>F</kbd>
        </Button>
        <button
          type="button"
          className="tray-act"
          onClick={() => {
            setGathering(true);
          }}
        >
          {formTexts.findARuleFor(plugins.length)}
        </button>
        <button
          type="button"
          className="tray-act"
          aria-haspopup="menu"
          onClick={({ currentTarget: from }) => {
            const { left: x, top: y } = from.getBoundingClientRect();
            onMenu({ plugins, x, y, keys: { file: 'Shift+F' }, from });
          }}
        >
          {formTexts.editAll(plugins.length)}
        </button>
        <button type="button" className="tray-act" onClick={onEmpty}>
          {formTexts.emptyTray}
        </button>
      </span>
      {isGathering && (
        <GatherRule
          plugins={plugins}
          onClose={() => {
            setGathering(false);
          }}
        />
      )}
    </>
  );
}
