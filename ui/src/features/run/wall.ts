/** Where each brick of a wall lies: laid from the bottom, every second course beginning with half a brick. */

export interface Brick {
  index: number;
  x: number;
  y: number;
  width: number;
  height: number;
}

export interface Wall {
  bricks: Brick[];
  height: number;
}

const WIDEST_JOINT = 4;
const WIDEST = 100;
const NARROWEST = 6;

/** Lays `count` bricks into a wall of this width that is no higher than `mostHeight`, with bricks as large as they can be. */
export function layWall(count: number, width: number, mostHeight: number): Wall {
  for (let brick = WIDEST; brick > NARROWEST; brick = Math.floor(brick * 0.85)) {
    const wall = lay(count, width, brick);
    if (wall.height <= mostHeight) return wall;
  }
  return lay(count, width, NARROWEST);
}

function lay(count: number, width: number, wanted: number): Wall {
  // Joints grow thin with their bricks, or a wall of thousands would be all mortar.
  const joint = Math.max(1, Math.min(WIDEST_JOINT, Math.round(wanted / 12)));
  const inCourse = Math.max(1, Math.floor((width + joint) / (wanted + joint)));
  const full = (width + joint) / inCourse - joint;
  const half = (full - joint) / 2;
  const height = Math.max(4, Math.round(full * 0.48));
  const courses: number[][] = [];
  for (let left = count, course = 0; left > 0; course++) {
    const widths =
      course % 2 === 0 || inCourse < 2
        ? Array<number>(inCourse).fill(full)
        : [half, ...Array<number>(inCourse - 1).fill(full), half];
    courses.push(widths.slice(0, left));
    left -= widths.length;
  }
  const total = courses.length * (height + joint) - joint;
  const bricks: Brick[] = [];
  courses.forEach((widths, course) => {
    let x = 0;
    for (const brickWidth of widths) {
      bricks.push({
        index: bricks.length,
        x,
        y: total - (course + 1) * (height + joint) + joint,
        width: brickWidth,
        height,
      });
      x += brickWidth + joint;
    }
  });
  return { bricks, height: total };
}

/** The brick an arrow key leads to from this one; itself where there is none. Up and down go to the nearest of the next course. */
export function neighbour({ bricks }: Wall, from: number, key: string): number {
  const here = bricks[from];
  if (!here) return from;
  switch (key) {
    case 'ArrowLeft':
      return Math.max(0, from - 1);
    case 'ArrowRight':
      return Math.min(bricks.length - 1, from + 1);
    case 'Home':
      return 0;
    case 'End':
      return bricks.length - 1;
    case 'ArrowUp':
    case 'ArrowDown': {
      const sign = key === 'ArrowUp' ? -1 : 1;
      const beyond = bricks.filter(({ y }) => (y - here.y) * sign > 0);
      const course = Math.min(...beyond.map(({ y }) => Math.abs(y - here.y)));
      const middle = here.x + here.width / 2;
      let best = from;
      let least = Infinity;
      for (const { index, x, y, width } of beyond) {
        const apart = Math.abs(x + width / 2 - middle);
        if (Math.abs(y - here.y) === course && apart < least) {
          best = index;
          least = apart;
        }
      }
      return best;
    }
    default:
      return from;
  }
}
