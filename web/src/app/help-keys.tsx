/** All keys in one place. */
import { Modal } from 'react-bootstrap';
import { Kbd } from '../ui/kbd.tsx';
import * as texts from './texts.ts';

export function HelpKeys({ onClose }: { onClose: () => void }) {
  return (
    <Modal show onHide={onClose} size="lg" animation={false} aria-label={texts.allKeys}>
      <Modal.Header closeButton>
        <Modal.Title as="h1">{texts.allKeys}</Modal.Title>
      </Modal.Header>
      <Modal.Body className="help-keys">
        {texts.helpGroups.map(([title, keys]) => (
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
