import { describe, expect, it } from 'vitest';
import { BriefInput, check, CreateEventInput, PitRecord } from './index';

const piece = { id: 'p1', kg: 5 };
const batch = { id: 'b1', servingId: 's1', cutId: 'pork-butt', methodId: 'low-bare', label: '', sizedBy: 'guests', pieces: [piece] };
const serving = {
  id: 's1',
  name: 'Supper',
  date: '2027-06-19',
  time: '18:00',
  serveForMin: 45,
  carveLeadMin: 30,
  atMs: 1_800_000_000_000,
  guests: { adults: 40, children: 0, heartyShare: 0 },
  buffet: true,
  marginShare: 0,
  highlySusceptible: false,
  sides: [],
  needs: [],
  batches: [batch],
};
const brief = {
  name: 'Supper',
  place: '',
  timeZone: 'America/Halifax',
  altitudeM: 0,
  confidence: 0.9,
  servings: [serving],
};

const problemsOf = (plain: unknown) => {
  const outcome = check(BriefInput, plain);
  return outcome.ok ? [] : outcome.problems.map(({ path, message }) => ({ path, message }));
};

describe('the check of the brief', () => {
  it('lets a good brief through as an instance', () => {
    const outcome = check(BriefInput, brief);
    expect(outcome.ok && outcome.value instanceof BriefInput).toBe(true);
  });

  it('names the field and what to do about it', () => {
    expect(problemsOf({ ...brief, timeZone: 'Atlantis/Deep' })).toEqual([
      { path: 'timeZone', message: 'No such time zone. Pick one from the list, such as America/Halifax.' },
    ]);
    const heavy = { ...brief, servings: [{ ...serving, batches: [{ ...batch, pieces: [{ id: 'p1', kg: 300 }] }] }] };
    expect(problemsOf(heavy)).toEqual([
      { path: 'servings.0.batches.0.pieces.0.kg', message: 'The weight of a piece is too large to be real.' },
    ]);
    expect(problemsOf({ ...brief, servings: [{ ...serving, guests: { ...serving.guests, adults: -3 } }] })[0]).toEqual({
      path: 'servings.0.guests.adults',
      message: 'The number of adults must be at least 0.',
    });
    expect(problemsOf({ ...brief, servings: [{ ...serving, guests: { ...serving.guests, adults: Number.NaN } }] })[0]!.path).toBe(
      'servings.0.guests.adults',
    );
    expect(problemsOf({ ...brief, name: '   ' })[0]!.path).toBe('name');
    expect(problemsOf({ ...brief, servings: [] })[0]!.path).toBe('servings');
    expect(problemsOf({ ...brief, servings: [{ ...serving, time: '25:00' }] })[0]!.path).toBe('servings.0.time');
  });

  it('refuses unknown fields and things that are no brief', () => {
    expect(problemsOf({ ...brief, admin: true })[0]!.path).toBe('admin');
    for (const nothing of [null, undefined, 'brief', [brief], 7]) expect(check(BriefInput, nothing).ok).toBe(false);
  });
});

describe('other checks', () => {
  it('ask for at least one adult on a new event', () => {
    const outcome = check(CreateEventInput, {
      name: 'A',
      place: '',
      timeZone: 'Europe/Oslo',
      date: '2027-06-19',
      time: '18:00',
      adults: 0,
      children: 3,
    });
    expect(outcome.ok).toBe(false);
  });

  it('want a pit whose range goes up and that has a rack', () => {
    const pit = {
      id: 'p',
      name: 'Pit',
      kind: 'offset',
      smoke: true,
      rangeC: [160, 120],
      warmUpMin: 60,
      openingDropC: 18,
      recoverMin: 9,
      racks: [],
    };
    const outcome = check(PitRecord, pit);
    expect(!outcome.ok && outcome.problems.map((problem) => problem.path).sort()).toEqual(['racks', 'rangeC']);
  });
});
