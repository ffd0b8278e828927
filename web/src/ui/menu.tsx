/** A word or button that opens a menu. */
import { useState, type ReactNode } from 'react';
import { Dropdown } from 'react-bootstrap';

export interface MenuProps {
  /** What stands on the button. */
  readonly children: ReactNode;
  /** What it is called, where its text does not say it. */
  readonly label?: string;
  readonly className: string;
  /** `span` within a sentence. */
  readonly as?: 'div' | 'span';
  readonly boxClass?: string;
  readonly align?: 'start' | 'end';
  /** With the key of the item that was chosen. */
  readonly onSelect: (key: string) => void;
  readonly onToggle?: () => void;
  readonly menuClass?: string;
  readonly items: ReactNode;
}

export function Menu(props: MenuProps) {
  const { as = 'div', boxClass, className, align = 'start', label, menuClass, items } = props;
  const [isOpen, setOpen] = useState(false);
  return (
    <Dropdown
      as={as}
      className={boxClass}
      align={align}
      show={isOpen}
      onSelect={(key) => {
        if (key !== null) {
          props.onSelect(key);
        }
      }}
      onToggle={(isNow) => {
        setOpen(isNow);
        props.onToggle?.();
      }}
    >
      <Dropdown.Toggle as="button" type="button" className={className} aria-label={label}>
        {props.children}
      </Dropdown.Toggle>
      {isOpen && <Dropdown.Menu className={menuClass}>{items}</Dropdown.Menu>}
    </Dropdown>
  );
}
