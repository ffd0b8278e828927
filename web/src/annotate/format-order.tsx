/** Which format's copy goes in front: the order of formats is the user's. */
import { ArrowDown, ArrowUp } from 'lucide-react';
import { Button, Modal } from 'react-bootstrap';
import { formats, type Format } from '@clever-drawer/core/formats';
import { useActs, useCatalog, useComputer } from '../studio/contexts.ts';
import * as texts from './texts.ts';

export function FormatOrder({ onClose }: { onClose: () => void }) {
  const { computer } = useComputer();
  const { formatOrder } = useCatalog();
  const { act } = useActs();
  const order = [...formatOrder, ...formats.filter((format) => !formatOrder.includes(format))];
  const shift = (format: Format, by: -1 | 1): void => {
    const at = order.indexOf(format);
    const next = order.filter((one) => one !== format);
    next.splice(Math.max(0, at + by), 0, format);
    act({ act: 'prefer', computer: computer.id, formats: next });
  };
  return (
    <Modal show onHide={onClose} animation={false} aria-labelledby="formats-title">
      <Modal.Header closeButton>
        <Modal.Title as="h1" id="formats-title">
          {texts.orderOfFormats}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p className="text-soft">{texts.ifAPluginIsInstalled}</p>
        <ol className="format-order">
          {order.map((format, at) => (
            <FormatRow key={format} shift={shift} format={format} at={at} order={order} />
          ))}
        </ol>
      </Modal.Body>
    </Modal>
  );
}

interface FormatRowProps {
  readonly shift: (format: Format, by: -1 | 1) => void;
  readonly format: 'VST2' | 'VST3' | 'AU' | 'CLAP' | 'LV2' | 'LADSPA';
  readonly at: number;
  readonly order: ('VST2' | 'VST3' | 'AU' | 'CLAP' | 'LV2' | 'LADSPA')[];
}

/** A format with its place: moved by its buttons or by arrow keys. */
function FormatRow({ shift, format, at, order }: FormatRowProps) {
  return (
    <li
      onKeyDown={(event) => {
        const by = { ArrowUp: -1, ArrowDown: 1 }[event.key];
        if (event.altKey && by) {
          event.preventDefault();
          shift(format, by as -1 | 1);
        }
      }}
    >
      <span className="chip format">{format}</span>
      <FormatMoves at={at} format={format} shift={shift} order={order} />
    </li>
  );
}

interface FormatMovesProps {
  readonly at: number;
  readonly format: 'VST2' | 'VST3' | 'AU' | 'CLAP' | 'LV2' | 'LADSPA';
  readonly shift: (format: Format, by: -1 | 1) => void;
  readonly order: ('VST2' | 'VST3' | 'AU' | 'CLAP' | 'LV2' | 'LADSPA')[];
}

function FormatMoves({ at, format, shift, order }: FormatMovesProps) {
  return (
    <span>
      {at > 0 && (
        <Button
          variant="bare"
          size="sm"
          aria-label={texts.formatUp(format)}
          onClick={() => {
            shift(format, -1);
          }}
        >
          <ArrowUp size={15} aria-hidden />
        </Button>
      )}
      {at < order.length - 1 && (
        <Button
          variant="bare"
          size="sm"
          aria-label={texts.down(format)}
          onClick={() => {
            shift(format, 1);
          }}
        >
          <ArrowDown size={15} aria-hidden />
        </Button>
      )}
    </span>
  );
}
