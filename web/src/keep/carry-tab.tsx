/** The order of another computer of the studio, taken over here. */
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { useComputer } from '../studio/contexts.ts';
import { TakeIn } from './take-in.tsx';

export function CarryTab() {
  const { computer, computers } = useComputer();
  const others = computers.filter(({ id }) => id !== computer.id);
  const [from, setFrom] = useState<string | null>(null);
  const chosen = others.find(({ id }) => id === from);
  if (others.length === 0) {
    return (
      <section className="keep-sheet">
        <h2>There is one computer only</h2>
        <p className="text-soft">
          Read in the plugins of another one on the screen Scan, or write this order to a file and
          read it in there.
        </p>
      </section>
    );
  }
  return (
    <>
      <section className="keep-sheet" aria-labelledby="carry-title">
        <h2 id="carry-title">Take an order over to {computer.name}</h2>
        <p className="text-soft">
          Its folders, names and all that is said of plugins, with each plugin found among those of
          this computer. To take this order somewhere else, choose that computer at the top first.
        </p>
        <Form.Select
          aria-label="The computer whose order is taken"
          value={from ?? ''}
          onChange={(event) => {
            setFrom(event.target.value === '' ? null : event.target.value);
          }}
        >
          <option value="">Choose whose order …</option>
          {others.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Form.Select>
      </section>
      {chosen && (
        <TakeIn
          key={chosen.id}
          source={{ computer: chosen.id }}
          title={`${chosen.name} → ${computer.name}`}
          onDone={() => {
            setFrom(null);
          }}
        />
      )}
    </>
  );
}
