/** All keys in one place. */
import { Modal } from 'react-bootstrap';
import { Kbd } from '../ui/kbd.tsx';

const groups: readonly (readonly [title: string, keys: readonly (readonly [string, string])[]])[] =
  [
    [
      'Everywhere',
      [
        ['Ctrl+K', 'find anything'],
        ['Alt+1', 'Scan'],
        ['Alt+2', 'Sort'],
        ['Alt+3', 'File'],
        ['Alt+4', 'Load'],
        ['Alt+6', 'Keep'],
        ['Ctrl+Z', 'undo'],
        ['Ctrl+Shift+Z', 'redo'],
        ['Ctrl+H', 'latest changes'],
        ['?', 'these keys'],
      ],
    ],
    [
      'Sort: one at a time',
      [
        ['1 2 3', 'that answer'],
        ['Enter', 'the marked answer'],
        ['Space', 'it does several'],
        ['/', 'another type or vendor'],
        ['L', 'later'],
        ['H', 'hide from loading'],
      ],
    ],
    [
      'Sort: many at once',
      [
        ['↑ ↓', 'move'],
        ['Space', 'select'],
        ['Shift+↓', 'select a run'],
        ['Ctrl+A', 'all'],
        ['T', 'one answer for all'],
        ['Enter', 'its best answer for each'],
      ],
    ],
    [
      'File: the list',
      [
        ['/', 'narrow the list'],
        ['↑ ↓', 'move'],
        ['Space', 'into the tray, or out of it'],
        ['F', 'file in a folder'],
        ['Shift+F', 'file all of the tray'],
        ['B', 'favourite, or no longer'],
        ['N', 'nickname and slot label'],
        ['T', 'type'],
        ['H', 'hide from loading, or no longer'],
        ['I', 'all that is known of it'],
        ['G', 'suggested folders'],
        ['Shift+↓', 'a run into the tray'],
        ['Ctrl+A', 'all that match into the tray'],
        ['Alt+← Alt+→', 'fold this heading, unfold all'],
        ['Esc', 'show all again'],
      ],
    ],
    [
      'File: the chest',
      [
        ['D', 'to the folders'],
        ['← → ↑ ↓', 'move'],
        ['Enter', 'open or close'],
        ['Alt+← Alt+→', 'put before or behind its neighbour'],
        ['Alt+↑ Alt+↓', 'reorder the plugins of an open folder'],
        ['M', 'move a plugin of an open folder to another'],
        ['F2', 'rename'],
        ['Delete', 'remove (undo brings it back)'],
        ['Shift+N', 'new folder, in the open one'],
        ['Menu', 'all that can be done to a folder'],
      ],
    ],
    [
      'Load: finding',
      [
        ['letters', 'find'],
        ['↑ ↓', 'move'],
        ['Enter', 'load'],
        [
          '2 … 9',
          'load that one, where no name goes on with the figure; after a space it is typed',
        ],
        ['Alt+Enter', 'choose the copy'],
        ['F4', 'the cabinet, all that fit, the rest with reasons'],
        ['← →', 'walk the folders (with letters typed: Ctrl)'],
        ['Ctrl+G', 'something I forgot'],
        ['Ctrl+B', 'favourite, or no longer'],
        ['F2', 'nickname and slot label'],
        ['Ctrl+I', 'facts'],
        ['Ctrl+P', 'pictures on or off'],
        ['Esc', 'one step back, at last to the slots'],
      ],
    ],
    [
      'Load: the slots',
      [
        ['← → ↑ ↓', 'walk'],
        ['Enter', 'choose'],
        ['0', 'bypass, or no longer'],
        ['Alt+← Alt+→', 'move along the track'],
        ['Alt+↑ Alt+↓', 'move to the next track'],
        ['Delete', 'empty'],
        ['/', 'back to the letters'],
      ],
    ],
  ];

export function HelpKeys({ onClose }: { onClose: () => void }) {
  return (
    <Modal show onHide={onClose} size="lg" animation={false} aria-label="All keys">
      <Modal.Header closeButton>
        <Modal.Title as="h1">All keys</Modal.Title>
      </Modal.Header>
      <Modal.Body className="help-keys">
        {groups.map(([title, keys]) => (
          <section key={title}>
            <h2>{title}</h2>
            <dl>
              {keys.map(([key, does]) => (
                <div key={key}>
                  <dt>
                    {key.split(' ').map((k) => (
                      <Kbd key={k} keys={k} />
                    ))}
                  </dt>
                  <dd>{does}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </Modal.Body>
    </Modal>
  );
}
