import type { PointerEvent, ReactElement } from 'react';

/** A small mark by which something of a thing is pulled; places and sizes in slide units, of its box. */
export function Grip(props: {
  x: number;
  y: number;
  scale: number;
  title: string;
  className: string;
  size?: number;
  onPointerDown: (event: PointerEvent) => void;
  onDoubleClick?: () => void;
}): ReactElement {
  const { scale, size = 11 } = props;
  return (
    <div
      data-grip={props.title}
      title={props.title}
      onPointerDown={props.onPointerDown}
      onDoubleClick={props.onDoubleClick}
      className="pointer-events-auto absolute grid cursor-pointer touch-none place-items-center"
      style={{
        left: props.x,
        top: props.y,
        width: 22 / scale,
        height: 22 / scale,
        transform: 'translate(-50%, -50%)',
      }}
    >
      <span
        className={`border-white ${props.className}`}
        style={{ width: size / scale, height: size / scale, borderWidth: 1.5 / scale }}
      />
    </div>
  );
}
