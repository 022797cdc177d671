/** Dragging rows to before or after others: what is dragged, and where it would be put, for the line drawn there. The
 * handlers are those of what holds the rows; each row says its id in `data-drag`. */
import { type DragEvent, useState } from "react";

interface Over {
  id: string;
  after: boolean;
}

function rowAt(event: DragEvent): Over | null {
  const row = (event.target as HTMLElement).closest<HTMLElement>("[data-drag]");
  if (!row?.dataset.drag) return null;
  const box = row.getBoundingClientRect();
  return { id: row.dataset.drag, after: event.clientY > box.top + box.height / 2 };
}

/** `type` tells these rows from everything else that is dragged over the page. */
export function useRowDrag(type: string, onDrop: (id: string, target: string, after: boolean) => void) {
  const [dragged, setDragged] = useState<string | null>(null);
  const [over, setOver] = useState<Over | null>(null);
  const end = () => {
    setDragged(null);
    setOver(null);
  };
  const handlers = {
    onDragStart: (event: DragEvent) => {
      const row = rowAt(event);
      if (!row) return;
      event.dataTransfer.setData(type, row.id);
      event.dataTransfer.effectAllowed = "move";
      setDragged(row.id);
    },
    onDragEnd: end,
    onDragOver: (event: DragEvent) => {
      const next = event.dataTransfer.types.includes(type) ? rowAt(event) : null;
      if (!next) return;
      event.preventDefault();
      if (next.id !== over?.id || next.after !== over.after) setOver(next);
    },
    onDrop: (event: DragEvent) => {
      const moved = event.dataTransfer.getData(type);
      const target = rowAt(event);
      if (!moved || !target) return;
      event.preventDefault();
      end();
      if (moved !== target.id) onDrop(moved, target.id, target.after);
    },
  };
  /** Where the line stands at a row, if there. */
  const line = (id: string): "before" | "after" | null =>
    over?.id === id && dragged !== id ? (over.after ? "after" : "before") : null;
  return { dragged, handlers, line };
}
