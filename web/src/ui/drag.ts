import type { KeyboardEvent, PointerEvent } from "react";

/** Where a pointer is that has taken hold of something, from the upper left of the drawing it is in. */
export interface Held {
  x: number;
  y: number;
  /** How far it has come to the right since it was taken hold of. */
  movedX: number;
}

interface Dragging {
  /** Taken hold of; false where it cannot be. */
  onTake?: (at: Held) => boolean;
  onMove?: (at: Held) => void;
  onDrop?: (at: Held) => void;
  /** Let go of otherwise: the system took the pointer away. */
  onLose?: () => void;
}

type Element = SVGGElement;

/** Where what is held was taken hold of. */
const taken = new WeakMap<Element, number>();

/** What makes a part of a drawing something to take by the pointer and carry: it keeps the pointer until it is let go. */
export function drag({ onTake, onMove, onDrop, onLose }: Dragging) {
  const held = (event: PointerEvent<Element>): Held => {
    const frame = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
    const from = taken.get(event.currentTarget) ?? event.clientX;
    return { x: event.clientX - frame.left, y: event.clientY - frame.top, movedX: event.clientX - from };
  };
  const isHeld = (event: PointerEvent<Element>) => event.currentTarget.hasPointerCapture(event.pointerId);
  return {
    onPointerDown: (event: PointerEvent<Element>) => {
      taken.set(event.currentTarget, event.clientX);
      if (onTake?.(held(event)) !== false) event.currentTarget.setPointerCapture(event.pointerId);
    },
    onPointerMove: (event: PointerEvent<Element>) => {
      if (isHeld(event)) onMove?.(held(event));
    },
    onPointerUp: (event: PointerEvent<Element>) => {
      if (isHeld(event)) onDrop?.(held(event));
    },
    onPointerCancel: () => onLose?.(),
  };
}

/** The same by the arrow keys: right is more and left is less; up is more too, but down a list it is less. */
export function arrows(onStep: (way: 1 | -1) => void, up: 1 | -1 = 1) {
  const ways: Partial<Record<string, 1 | -1>> = {
    ArrowRight: 1,
    ArrowLeft: -1,
    ArrowUp: up,
    ArrowDown: up === 1 ? -1 : 1,
  };
  return {
    onKeyDown: (event: KeyboardEvent) => {
      const way = ways[event.key];
      if (!way) return;
      event.preventDefault();
      event.stopPropagation();
      onStep(way);
    },
  };
}
