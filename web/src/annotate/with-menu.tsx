/** Something that stands for plugins, with their menu: by right click, long press, the Menu key or its dots. */
import { useRef, type MouseEvent, type ReactNode } from 'react';
import { MoreDots } from '../ui/more-dots.tsx';
import { PluginMenu } from './behind.ts';
import { spotOf, useMenuTarget } from './menu-target.ts';

interface Props {
  readonly plugins: readonly string[];
  readonly as?: 'div' | 'li';
  readonly className?: string;
  readonly children: ReactNode;
}

export function WithMenu({ plugins, as: Tag = 'div', className = '', children }: Props) {
  const menu = useMenuTarget();
  const box = useRef<HTMLElement>(null);
  const open = (event: MouseEvent): void => {
    if (box.current) {
      const focused = document.activeElement;
      const from = focused instanceof HTMLElement && box.current.contains(focused) ? focused : null;
      menu.open({ ...spotOf(event, box.current), plugins, from });
    }
  };
  return (
    <Tag
      ref={(element: HTMLElement | null) => {
        box.current = element;
      }}
      className={`with-menu ${className}`}
      onContextMenu={(event) => {
        event.preventDefault();
        open(event);
      }}
    >
      {children}
      <MoreDots onPress={open} />
      {menu.target && <PluginMenu target={menu.target} onClose={menu.close} />}
    </Tag>
  );
}
