/** Tests run side by side in so many lanes, each with servers of its own, so that none meets another's work. */
export const LANES = 2;
const STEP = 10;

const ports = (lane: number) => ({ first: 4311 + lane * STEP, demo: 4312 + lane * STEP, drawings: 4313 + lane * STEP });
export const LANE_PORTS = Array.from({ length: LANES }, (_, lane) => ports(lane));
export const PARTS_PORT = 4391;

const mine = ports(Number(process.env.TEST_PARALLEL_INDEX ?? 0));
const at = (port: number): string => `http://127.0.0.1:${port}`;

/** A studio where nothing was ever entered. */
export const FIRST = at(mine.first);
/** The demo, as it is filled. */
export const DEMO = at(mine.demo);
/** An empty studio for what drawings are tried on. */
export const DRAWINGS = at(mine.drawings);
export const PARTS = `${at(PARTS_PORT)}/parts/`;
/** For servers that a test starts and breaks itself. */
export const ownPort = (n: number): number => 4371 + n;
/** … of this lane alone, where any file may start one. */
export const laneOwnPort = (): number => ownPort(10 + Number(process.env.TEST_PARALLEL_INDEX ?? 0));
