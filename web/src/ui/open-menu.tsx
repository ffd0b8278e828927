/** A menu that has been opened once: it stays where its button was. */
import { useEffect, useRef, type ReactNode } from 'react';
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

export function OpenMenu(props: MenuProps) {
  const { as = 'div', boxClass, className, align = 'start', label, menuClass, items } = props;
  const toggle = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    // The button that was pressed is gone, and with it what keys go to.
    if (document.activeElement === document.body) {
      toggle.current?.focus();
    }
  }, []);
  return (
    <Dropdown
      as={as}
      className={boxClass}
      align={align}
      defaultShow
      onSelect={(key) => {
        if (key !== null) {
          props.onSelect(key);
        }
      }}
      onToggle={props.onToggle}
    >
      <Dropdown.Toggle
        ref={toggle}
        as="button"
        type="button"
        className={className}
        aria-label={label}
      >
        {props.children}
      </Dropdown.Toggle>
      <Dropdown.Menu className={menuClass}>{items}</Dropdown.Menu>
    </Dropdown>
  );
}
