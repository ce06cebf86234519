import type { JoinedBody } from '../api/types';

/** Whether a body of several runs is told to be rounded where any of them meet. */
export const isRounded = ({ round, rounds }: JoinedBody) => round !== undefined || (rounds ?? []).length > 0;
