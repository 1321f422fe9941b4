import type { Layer, NewElement, Slide } from '@gobrel/core';
import type { LucideIcon } from 'lucide-react';
import type { ComponentPropsWithRef, MouseEvent, ReactElement } from 'react';
import type { StageEdit, Tool } from '../editing/useStageEdit';
import { Sheet } from '../ui/Sheet';

/** What is given to that by which things of a kind are put on a slide. */
export interface AddingProps {
  slide: Slide;
  /** The layer that is edited. */
  layer: Layer;
  edit: StageEdit;
  add: (element: NewElement, thenType?: boolean) => void;
}

/** With the pointer a tool is taken in hand; from the keyboard the thing comes to lie in the middle. */
export const drawnWith =
  ({ edit, add }: AddingProps, tool: Tool, element: () => NewElement) =>
  (event: MouseEvent): void => {
    if (event.detail === 0) add(element());
    else edit.setTool(edit.tool === tool ? 'select' : tool);
  };

export function Add({
  icon: Icon,
  label,
  isOn,
  ...rest
}: {
  icon: LucideIcon;
  label: string;
  isOn?: boolean;
} & ComponentPropsWithRef<'button'>): ReactElement {
  return (
    <button
      type="button"
      aria-pressed={isOn}
      {...rest}
      className="grid min-h-[54px] w-[76px] shrink-0 justify-items-center gap-1 rounded-[6px] py-1.5 text-[12.5px] hover:bg-sand aria-pressed:bg-petrol-mist data-[state=open]:bg-petrol-mist"
    >
      <Icon size={19} strokeWidth={1.7} aria-hidden />
      {label}
    </button>
  );
}

export function AddFrom(props: {
  icon: LucideIcon;
  label: string;
  width: number;
  children: (choose: () => void) => ReactElement;
}): ReactElement {
  const { icon, label, width } = props;
  return (
    <Sheet label={label} width={width} trigger={<Add icon={icon} label={label} />}>
      {props.children}
    </Sheet>
  );
}
