/** The order of another computer of the studio, taken over here. */
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { useComputer } from '../studio/contexts.ts';
import { TakeIn } from './take-in.tsx';
import * as texts from './texts.ts';

export function CarryTab() {
  const { computer, computers } = useComputer();
  const others = computers.filter(({ id }) => id !== computer.id);
  const [from, setFrom] = useState<string | null>(null);
  const chosen = others.find(({ id }) => id === from);
  if (others.length === 0) {
    return (
      <section className="keep-sheet">
        <h2>{texts.onlyOneComputerSoFar}</h2>
        <p className="text-soft">{texts.addAnotherComputersPluginsIn}</p>
      </section>
    );
  }
  return (
    <>
      <section className="keep-sheet" aria-labelledby="carry-title">
        <h2 id="carry-title">{texts.importAnOrderTo(computer.name)}</h2>
        <p className="text-soft">{texts.itsFolders}</p>
        <Form.Select
          aria-label={texts.computerToImportFrom}
          value={from ?? ''}
          onChange={(event) => {
            setFrom(event.target.value === '' ? null : event.target.value);
          }}
        >
          <option value="">{texts.chooseAComputer}</option>
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
