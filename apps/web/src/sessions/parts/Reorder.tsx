/** Rows that can be dragged, or moved by keyboard: space lifts and drops, arrows move, escape lets go. */
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type UniqueIdentifier,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { useEffect, useRef, type CSSProperties, type ReactNode } from 'react';
import { Icon } from '@/ui/Icon';
import { useTheme } from '@/ui/useTheme';

interface ReorderProps {
  /** The rows in the order shown. */
  readonly ids: readonly string[];
  /** What a row is called, for the screen reader. */
  readonly nameOf: (id: string) => string;
  /** A row was dropped on another; `after` when it came from above. */
  readonly onDrop: (id: string, over: string, after: boolean) => void;
  readonly children: ReactNode;
}

/** Pixels a finger moves before it drags, so that a tap stays a tap. */
const DRAG_AFTER = 6;

export function Reorder({ ids, nameOf, onDrop, children }: ReorderProps) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: DRAG_AFTER } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const list = useRef<HTMLDivElement>(null);
  useEffect(() => scrollAsBrowsersDo(list.current), []);
  const end = ({ active, over }: DragEndEvent) => {
    if (!over || over.id === active.id) return;
    const [from, to] = [String(active.id), String(over.id)];
    onDrop(from, to, ids.indexOf(from) < ids.indexOf(to));
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={end}
      accessibility={{ announcements: announced((id) => nameOf(String(id))) }}
    >
      <SortableContext items={[...ids]} strategy={verticalListSortingStrategy}>
        <div ref={list}>{children}</div>
      </SortableContext>
    </DndContext>
  );
}

/**
 * The scroll view around a list has a `scrollTo` of its own, which takes other words than a browser's;
 * moving rows by keyboard asks in the browser's.
 */
function scrollAsBrowsersDo(from: HTMLElement | null): void {
  for (let node = from?.parentElement; node; node = node.parentElement) {
    if (!Object.hasOwn(node, 'scrollTo')) continue;
    const own = node.scrollTo.bind(node) as (...args: unknown[]) => void;
    const browsers = Element.prototype.scrollTo.bind(node);
    node.scrollTo = (...args: unknown[]) => {
      const [to] = args;
      if (typeof to === 'object' && to !== null && 'top' in to) browsers(to as ScrollToOptions);
      else own(...args);
    };
    return;
  }
}

/** What a screen reader says while a row is on its way. */
function announced(name: (id: UniqueIdentifier) => string): Announcements {
  return {
    onDragStart: ({ active }) => `${name(active.id)} lifted.`,
    onDragOver: ({ active, over }) =>
      over && over.id !== active.id ? `${name(active.id)} is at ${name(over.id)}.` : undefined,
    onDragEnd: ({ active, over }) => `${name(active.id)} dropped${over ? ` at ${name(over.id)}` : ''}.`,
    onDragCancel: ({ active }) => `${name(active.id)} is where it was.`,
  };
}

interface RowProps {
  readonly id: string;
  /** What is moved, for the screen reader. */
  readonly label: string;
  /** A row that others are dropped on, but which stays. */
  readonly fixed?: boolean;
  readonly children: ReactNode;
}

const row: CSSProperties = { display: 'flex', flexDirection: 'row', alignItems: 'stretch', position: 'relative' };
const fill: CSSProperties = { flex: 1, minWidth: 0, display: 'flex', flexDirection: 'column' };
const grip: CSSProperties = {
  width: 40,
  minHeight: 48,
  border: 0,
  padding: 0,
  background: 'transparent',
  cursor: 'grab',
  touchAction: 'none',
  display: 'flex',
  alignItems: 'center',
  justifyContent: 'center',
};

/** One row with its handle. */
export function ReorderRow({ id, label, fixed = false, children }: RowProps) {
  const theme = useTheme();
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id,
    disabled: { draggable: fixed, droppable: false },
  });
  const style: CSSProperties = {
    ...row,
    transform: CSS.Translate.toString(transform),
    transition,
    zIndex: isDragging ? 2 : undefined,
    opacity: isDragging ? 0.85 : 1,
    background: isDragging ? theme.own.sand : undefined,
  };
  return (
    <div ref={setNodeRef} style={style} data-row={id}>
      {fixed ? null : (
        <button
          ref={setActivatorNodeRef}
          type="button"
          style={grip}
          {...attributes}
          {...listeners}
          aria-label={`Move ${label}`}
        >
          <Icon name="drag" size={22} color={theme.colors.onSurfaceVariant} />
        </button>
      )}
      <div style={fill}>{children}</div>
    </div>
  );
}
