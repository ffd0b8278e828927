/**
 * What the user says of a plugin: types, kind, vendor, licence, tags, notes, and whether it is
 * offered while loading.
 */
import type { ReactNode } from 'react';
import { Form } from 'react-bootstrap';
import { nothingSaid, type Plugin } from '@clever-drawer/core/catalog';
import { annotateAct } from '../../annotate/annotate.ts';
import { useActs, useCatalog } from '../../studio/contexts.ts';
import type { FieldProps } from './field.ts';
import { KindField } from './kind.tsx';
import { Licence } from './licence.tsx';
import { Notes } from './notes.tsx';
import { Tags } from './tags.tsx';
import { Types } from './types.tsx';
import { VendorField } from './vendor.tsx';
import * as texts from '../texts.ts';

export function Annotations({ plugin }: { plugin: Plugin }) {
  const { answers } = useCatalog();
  const { act } = useActs();
  const said = answers.get(plugin.id) ?? nothingSaid;
  const field: FieldProps = {
    plugin,
    said,
    onSay: (set) => {
      act(annotateAct([plugin.id], set));
    },
  };
  return (
    <section aria-labelledby="annotations">
      <h2 id="annotations" className="visually-hidden">
        {texts.whatItIs}
      </h2>
      <dl className="annotations">
        <Row name={texts.does}>
          <Types {...field} />
        </Row>
        <Row name={texts.is} labels={texts.kind}>
          <KindField {...field} />
        </Row>
        <Row name={texts.by}>
          <VendorField {...field} />
        </Row>
        <Row name={texts.licence} labels={texts.licenceOfIt}>
          <Licence {...field} />
        </Row>
        <Row name={texts.loading} labels={texts.hidden}>
          <Offered {...field} />
        </Row>
        <Row name={texts.tags} labels={texts.tag}>
          <Tags plugin={plugin} tags={said.tags} />
        </Row>
        <Row name={texts.notes} labels={texts.notesOnIt}>
          <Notes
            key={plugin.id}
            name={`notes ${plugin.id}`}
            notes={said.notes}
            onSay={(notes, onStored) => {
              act(annotateAct([plugin.id], { notes }), { onStored });
            }}
          />
        </Row>
      </dl>
    </section>
  );
}

interface RowProps {
  readonly name: string;
  readonly labels?: string;
  readonly children: ReactNode;
}

/** A field with its name; `labels` is the id of the control that the name labels. */
function Row(props: RowProps) {
  const { name, labels, children } = props;
  return (
    <>
      <dt>{labels === undefined ? name : <label htmlFor={labels}>{name}</label>}</dt>
      <dd>{children}</dd>
    </>
  );
}

function Offered({ said, onSay }: FieldProps) {
  return (
    <Form.Check
      id="hidden"
      type="switch"
      label={said.isHidden ? texts.hiddenInLoad : texts.shownInLoad}
      checked={!said.isHidden}
      onChange={() => {
        onSay({ isHidden: !said.isHidden });
      }}
    />
  );
}
