import type { Bar, Label, TimelineInput } from './drawing';
import { xAt, type Scale } from './scale';

/** As wide as a letter of the drawing's names is on average, and the room round a name. */
const LETTER_PX = 5.9;
const ROUND_PX = 7;
const CLEAR_PX = 3;

const widthOf = (text: string): number => text.length * LETTER_PX + ROUND_PX;

interface Gap {
  x0: number;
  x1: number;
}

/** What is left of a stretch once others are taken out of it. */
function without(whole: Gap, taken: readonly Gap[]): Gap[] {
  let gaps = [whole];
  for (const { x0, x1 } of taken)
    gaps = gaps.flatMap((gap) =>
      x1 <= gap.x0 || x0 >= gap.x1
        ? [gap]
        : [
            { x0: gap.x0, x1: x0 },
            { x0: x1, x1: gap.x1 },
          ].filter((part) => part.x1 > part.x0),
    );
  return gaps;
}

/**
 * Gives every bar of a row its name where it covers no serving line, no finish, no other bar and no other name: the
 * longest that fits, inside the bar before beside it. What fits nowhere is left to be told when it is pointed at.
 */
function labelled(
  bars: readonly Bar[],
  { lines, leftPx, rightPx, namesOf }: { lines: readonly number[]; leftPx: number; rightPx: number; namesOf(bar: Bar): readonly string[] },
): Bar[] {
  const walls = lines.map((x) => ({ x0: x - CLEAR_PX, x1: x + CLEAR_PX }));
  const named: (Gap & { y: number })[] = [];
  const lane = (bar: Bar) => bars.filter((other) => other !== bar && other.y === bar.y);
  const labelFor = (bar: Bar): Label | undefined => {
    const marks = bar.ticks.map((x) => ({ x0: x - 1, x1: x + 1 }));
    const inside = { x0: bar.x0 + 2, x1: Math.min(bar.x1, bar.fade?.x0 ?? bar.x1) - 2 };
    const others = [...walls, ...named.filter((label) => label.y === bar.y), ...lane(bar)];
    const beside = without({ x0: leftPx, x1: rightPx }, [...others, { x0: bar.x0, x1: bar.x1 }]);
    const right = beside.find((gap) => Math.abs(gap.x0 - bar.x1) < 1);
    const left = beside.find((gap) => Math.abs(gap.x1 - bar.x0) < 1);
    for (const text of namesOf(bar)) {
      const widthPx = widthOf(text);
      const within = [...without(inside, [...walls, ...marks]), ...without(inside, walls)].find((gap) => gap.x1 - gap.x0 >= widthPx);
      if (within) return { text, x0: within.x0 + 1, widthPx, inside: true };
      if (right && right.x1 - right.x0 >= widthPx) return { text, x0: right.x0, widthPx, inside: false };
      if (left && left.x1 - left.x0 >= widthPx) return { text, x0: left.x1 - widthPx, widthPx, inside: false };
    }
    return undefined;
  };
  return bars.map((bar) => {
    const label = labelFor(bar);
    if (!label) return bar;
    named.push({ x0: label.x0, x1: label.x0 + label.widthPx, y: bar.y });
    return { ...bar, label };
  });
}

/** The bars of a row with their names, as the drawing has its serving lines. */
export const labelledIn = (input: TimelineInput, scale: Scale, bars: readonly Bar[]): Bar[] =>
  labelled(bars, {
    lines: input.servings.map((serving) => xAt(scale, serving.atMs)),
    leftPx: scale.leftPx,
    rightPx: input.widthPx,
    namesOf: (bar) => input.namesOf(bar.batchId, bar.count),
  });
