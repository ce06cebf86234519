import { api, type Live } from '../api/client';
import type { Presence, Presences, Revision } from '../api/types';
import { usePresence, WINDOW } from './presence';

/** Times after which the whole question is asked although nothing is new, ms: sooner than a window counts as gone. */
const [HERE, TOKEN] = [5000, 30_000];

type Picked = Presence['picked'];

/**
 * Asks whether anything is new in a job: by the whole question, which tells who else is there, and between two of these
 * by the quick one, where the server has it.
 */
export class JobWatch {
  private told: Revision | Presences | null = null;
  private live: Live | null = null;
  private picked = '';
  private at = 0;

  constructor(private readonly job: number) {}

  /**
   * @param picked what is picked in this window
   * @param people whether people sign in
   */
  async ask(picked: Picked, people: boolean): Promise<Revision | Presences> {
    const isFull = this.told === null || this.isDue(picked, people);
    const live = isFull || !this.told?.live ? null : await api.live(this.told.live);
    // What others have picked is asked for whole, but not each of their edits.
    const isAsItWas = live !== null && this.told !== null && (this.live?.present ?? live.present) === live.present;
    this.live = live;
    if (isAsItWas && this.told !== null) {
      this.told = { ...this.told, revision: live.revision, step: live.step };
      return this.told;
    }
    this.at = performance.now();
    this.picked = JSON.stringify(picked);
    if (people) {
      const told = await api.presence(this.job, { window: WINDOW, picked });
      usePresence.getState().set(told.others);
      this.told = told;
    } else {
      this.told = await api.revision(this.job);
    }
    return this.told;
  }

  private isDue(picked: Picked, people: boolean): boolean {
    return performance.now() - this.at >= (people ? HERE : TOKEN) || (people && JSON.stringify(picked) !== this.picked);
  }
}
