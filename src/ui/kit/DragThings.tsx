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
import type { CSSProperties, ReactNode } from "react";
import type { DragParts } from "./dragParts";
import styles from "./drag.module.css";

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
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      accessibility={{ container: undefined, screenReaderInstructions: { draggable: "" } }}
      onDragEnd={({ active, over, activatorEvent }: DragEndEvent) => {
        const { ctrlKey = false, altKey = false } = activatorEvent as Partial<MouseEvent>;
        if (over !== null) onDrop(String(active.id), String(over.id), ctrlKey || altKey);
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
    <span ref={setNodeRef} className={`${styles.place} ${isOver ? styles.over : ""}`}>
      {children}
    </span>
  );
}

export const dragThings: DragParts = { Context, Taken, Place };
