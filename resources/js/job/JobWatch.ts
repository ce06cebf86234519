import { api, type Live } from '../api/client';
import type { JobChange, JobState, Presence, Presences, Revision } from '../api/types';
import { usePresence, WINDOW } from './presence';

/**
 * Times after which the whole question is asked although nothing is new, ms: sooner than a window counts as gone, and
 * than a query for the quick question holds no more.
 */
const [HERE, QUERY] = [20_000, 30_000];

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
   * @param isNamed whether somebody has signed in, so that others are told who is there
   */
  async ask(picked: Picked, isNamed: boolean): Promise<Revision | Presences> {
    const isFull = this.told === null || this.isDue(picked, isNamed);
    const live = isFull || !this.told?.live ? null : await api.live(this.job, this.told.live);
    // What others have picked is asked for whole, but not each of their edits.
    const isAsItWas =
      live !== null && this.told !== null && (!isNamed || (this.live?.present ?? live.present) === live.present);
    this.live = live;
    if (isAsItWas && this.told !== null) {
      this.told = { ...this.told, revision: live.revision, step: live.step };
      return this.told;
    }
    this.at = performance.now();
    this.picked = JSON.stringify(picked);
    if (isNamed) {
      const told = await api.presence(this.job, { window: WINDOW, picked });
      usePresence.getState().set(told.others);
      this.told = told;
    } else {
      this.told = await api.revision(this.job);
    }
    return this.told;
  }

  /**
   * Returns what is new since a revision: all of it, or the change to the next revision.
   *
   * @param fromFile whether it may be read from the file of that change, which is the same for all windows
   */
  async news(since: number, fromFile: boolean): Promise<JobState | JobChange> {
    const kept = fromFile && this.told?.live ? await api.liveNews(this.job, since, this.told.live) : null;
    return kept ?? api.news(this.job, since);
  }

  private isDue(picked: Picked, isNamed: boolean): boolean {
    return (
      performance.now() - this.at >= (isNamed ? HERE : QUERY) || (isNamed && JSON.stringify(picked) !== this.picked)
    );
  }
}
