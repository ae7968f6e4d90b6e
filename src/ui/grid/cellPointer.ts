import type { MouseEvent, PointerEvent } from "react";

/** How a cell of a grid is pointed at: a press chooses it, a second one or a double click opens it, Shift widens. */
export function cellPointer({
  isOpen,
  active,
  onPoint,
  onOpen,
}: {
  /** It is typed into: presses are the text's own. */
  isOpen: boolean;
  active: boolean;
  onPoint: (widen: boolean) => void;
  onOpen: () => void;
}) {
  return {
    onMouseDown: (event: MouseEvent) => {
      if (isOpen) return;
      event.preventDefault();
      onPoint(event.shiftKey);
    },
    onDoubleClick: onOpen,
    onPointerUp: (event: PointerEvent) => {
      if (event.pointerType === "touch" && active && !isOpen) onOpen();
    },
  };
}
