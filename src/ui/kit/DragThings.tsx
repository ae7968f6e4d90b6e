"use client";

import {
  DndContext,
  type DragEndEvent,
  MouseSensor,
  pointerWithin,
  TouchSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { type CSSProperties, type ReactNode, useEffect, useRef } from "react";
import type { DragParts } from "./dragParts";
import styles from "./drag.module.css";

/**
 * The place under a point of the window, as it is drawn now. What the drag itself holds for the place is that of the last
 * drawing: a fast hand has let go somewhere else by then.
 */
function placeAt({ clientX, clientY }: { clientX: number; clientY: number }): string | null {
  for (const element of document.elementsFromPoint(clientX, clientY))
    if (element instanceof HTMLElement && element.dataset.place !== undefined) return element.dataset.place;
  return null;
}

/** Where the pointer let go last: the window hears of it before the drag does. */
function useLetGo() {
  const point = useRef<{ clientX: number; clientY: number } | null>(null);
  useEffect(() => {
    const ofMouse = (event: MouseEvent) => {
      point.current = event;
    };
    const ofFinger = (event: TouchEvent) => {
      point.current = event.changedTouches[0] ?? null;
    };
    window.addEventListener("mouseup", ofMouse, true);
    window.addEventListener("touchend", ofFinger, true);
    return () => {
      window.removeEventListener("mouseup", ofMouse, true);
      window.removeEventListener("touchend", ofFinger, true);
    };
  }, []);
  return point;
}

/** Takes what is dragged by a mouse or a finger from one place to another. */
function Context({
  onDrop,
  children,
}: {
  onDrop: (what: string, onto: string, copies: boolean) => void;
  children: ReactNode;
}) {
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    // A finger that stays a moment takes it; one that moves at once scrolls the page.
    useSensor(TouchSensor, { activationConstraint: { delay: 250, tolerance: 8 } }),
  );
  const letGoRef = useLetGo();
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      accessibility={{ container: undefined, screenReaderInstructions: { draggable: "" } }}
      onDragStart={() => {
        // Where something else was let go before is no place for this.
        letGoRef.current = null;
      }}
      onDragEnd={({ active, activatorEvent }: DragEndEvent) => {
        const { ctrlKey = false, altKey = false } = activatorEvent as Partial<MouseEvent>;
        const onto = letGoRef.current === null ? null : placeAt(letGoRef.current);
        if (onto !== null) onDrop(String(active.id), onto, ctrlKey || altKey);
      }}
    >
      {children}
    </DndContext>
  );
}

function Taken({ id, className = "", children }: { id: string; className?: string; children: ReactNode }) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id });
  return (
    <span
      ref={setNodeRef}
      {...listeners}
      className={`${styles.taken} ${isDragging ? styles.dragged : ""} ${className || styles.free}`}
      style={
        transform === null
          ? undefined
          : ({ transform: `translate(${transform.x}px, ${transform.y}px)` } as CSSProperties)
      }
    >
      {children}
    </span>
  );
}

function Place({ id, children }: { id: string; children: ReactNode }) {
  const { setNodeRef, isOver } = useDroppable({ id });
  return (
    <span ref={setNodeRef} data-place={id} className={`${styles.place} ${isOver ? styles.over : ""}`}>
      {children}
    </span>
  );
}

export const dragThings: DragParts = { Context, Taken, Place };
