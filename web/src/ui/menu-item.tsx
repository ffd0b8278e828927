/** An item of a Bootstrap menu without the `aria-selected` that ARIA 1.2 does not allow on a button. */
import type { ButtonHTMLAttributes } from 'react';
import { Dropdown } from 'react-bootstrap';

function PlainItem({
  'aria-selected': isSelected,
  ...props
}: ButtonHTMLAttributes<HTMLButtonElement>) {
  return (
    <button type="button" aria-current={isSelected === true ? 'true' : undefined} {...props} />
  );
}

interface Props {
  readonly eventKey?: string;
  readonly active?: boolean;
  readonly className?: string;
  readonly onClick?: () => void;
  readonly children: React.ReactNode;
}

export const MenuItem = (props: Props) => <Dropdown.Item as={PlainItem} {...props} />;
