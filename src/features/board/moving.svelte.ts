import interact from 'interactjs';
import { toast } from 'svelte-sonner';
import type { Assigned } from '$core/schedule/workload';
import type { BoardState, Move } from './board-view.svelte';

/** A move by keys goes in these steps, min; one by hand falls on the finer ones. */
const STEP_MIN = 15;
const FALLS_ON_MIN = 5;

/** Blocks moved by hand and by keys: what a move would do is told while it is held, and it is pinned where it is put. */
export class Moving {
  /** Where the block would go that is being moved by keys; null while none is. */
  carried = $state.raw<Move | null>(null);
  /** A block is in the hand: a plan that comes meanwhile waits until it is put down. */
  inHand = $state(false);
  readonly #board: BoardState;
  constructor(board: BoardState) {
    this.#board = board;
  }

  /** Arrow keys carry a block, Enter puts it there, Escape leaves it. */
  key(a: Assigned, e: KeyboardEvent): void {
    const people = this.#board.view.workload.people.map((p) => p.name);
    const from =
      this.carried?.task === a.task ? this.carried : { task: a.task, person: a.person, start: a.start };
    const beside = (by: number) =>
      people[Math.min(people.length - 1, Math.max(0, people.indexOf(from.person) + by))];
    const moves: Readonly<Record<string, Move>> = {
      ArrowLeft: { ...from, start: from.start - STEP_MIN },
      ArrowRight: { ...from, start: from.start + STEP_MIN },
      ArrowUp: { ...from, person: beside(-1) },
      ArrowDown: { ...from, person: beside(1) }
    };
    const move = moves[e.key];
    if (move) {
      e.preventDefault();
      this.carried = move;
      void this.#board.look(move);
    } else if (e.key === 'Enter' && this.carried?.task === a.task) {
      e.preventDefault();
      void this.#drop(this.carried);
    } else if (e.key === 'Escape' && this.carried) {
      this.carried = null;
      this.#board.consequence = null;
    }
  }

  async #drop(move: Move): Promise<void> {
    const board = this.#board;
    if (board.consequence?.refused) return;
    this.carried = null;
    const answer = await board.pin(move.task, move);
    if (!answer.ok) toast(answer.problems[0].message);
    else toast('Pinned there', { action: { label: 'Undo', onClick: () => void board.unpin(move.task) } });
  }

  /** Lets the blocks of the people’s rows be dragged; returns how to stop. */
  byHand(rows: HTMLElement): () => void {
    let move: Move | null = null;
    let x = 0;
    let y = 0;
    const dragged = interact('[data-people] [data-block]', { context: rows }).draggable({
      listeners: {
        start: () => {
          this.inHand = true;
          [x, y] = [0, 0];
        },
        move: ({ target, dx, dy, clientX, clientY }) => {
          [x, y] = [x + dx, y + dy];
          const block = target as HTMLElement;
          block.style.transform = `translate(${x}px, ${y}px)`;
          block.style.pointerEvents = 'none';
          const next = this.#moveOf(block, x, document.elementFromPoint(clientX, clientY));
          if (move?.person === next.person && move.start === next.start) return;
          move = next;
          void this.#board.look(next);
        },
        end: ({ target }) => {
          const block = target as HTMLElement;
          block.style.transform = '';
          block.style.pointerEvents = '';
          // The click that ends a drag opens nothing.
          block.addEventListener('click', (e) => e.stopImmediatePropagation(), { capture: true, once: true });
          if (move && !this.#board.consequence?.refused) void this.#drop(move);
          else this.#board.consequence = null;
          move = null;
          this.inHand = false;
        }
      }
    });
    return () => dragged.unset();
  }

  /** Where a block would go that was drawn so far sideways and lies over something. */
  #moveOf(block: HTMLElement, x: number, over: Element | null): Move {
    const { from, to } = this.#board.hours!;
    const minutes = (x / block.parentElement!.clientWidth) * (to - from);
    const lane = over?.closest<HTMLElement>('[data-lane]');
    return {
      task: block.dataset.block!,
      person: lane?.dataset.lane ?? block.dataset.person!,
      start: Math.round((Number(block.dataset.start) + minutes) / FALLS_ON_MIN) * FALLS_ON_MIN
    };
  }
}
