import { describe, expect, it } from 'vitest';
import { nth } from '../units/index.ts';
import { costOf, ownShare, servesFor, supplyNeeds, tidyAmount, type Supply } from './index.ts';

const spool = (more: Partial<Supply> = {}): Supply & { id: string } => ({
  id: 's',
  kind: 'solder',
  name: 'Spool',
  sort: '60/40',
  code: '',
  packAmount: 500,
  packCents: 2000,
  amount: 120,
  low: 100,
  place: '',
  learnt: {},
  ...more,
});

describe('supplies', () => {
  it('what is used costs its part of a pack', () => {
    expect(costOf(spool(), 125)).toBe(500);
    expect(costOf({ packAmount: 0, packCents: 2000 }, 5)).toBe(0);
    expect(tidyAmount(0.1 + 0.2)).toBe(0.3);
  });
  it('of what is short whole packs are bought', () => {
    const [need] = supplyNeeds([{ kind: 'solder', sort: '60/40', amount: 700 }], [spool()], 'lead');
    expect(need).toMatchObject({ needed: 700, there: 120, packs: 2, buyCents: 4000, costCents: 2800, supplyId: 's' });
    expect(supplyNeeds([{ kind: 'solder', sort: '60/40', amount: 620 }], [spool()], 'lead')[0]).toMatchObject({
      packs: 1,
    });
    expect(supplyNeeds([{ kind: 'solder', sort: '60/40', amount: 120 }], [spool()], 'lead')[0]).toMatchObject({
      packs: 0,
    });
  });
  it('only what is of that sort serves; what says no sort serves for each', () => {
    expect(servesFor(spool(), 'solder', '63/37')).toBe(false);
    expect(servesFor(spool({ sort: '' }), 'solder', '63/37')).toBe(true);
    expect(servesFor(spool({ sort: 'H6' }), 'solder', 'h6')).toBe(true);
    const none = nth(supplyNeeds([{ kind: 'foil', sort: '7/32 in', amount: 10 }], [spool()], 'lead'), 0);
    expect(none).toMatchObject({ supplyId: null, there: 0, packs: 0, needed: 10 });
  });
  it('what really was used takes the place of what everybody says, once it tells enough', () => {
    expect(ownShare(spool(), 'lead')).toBeNull();
    expect(ownShare(spool({ learnt: { lead: { used: 12, reckoned: 10 } } }), 'lead')).toBeNull();
    expect(ownShare(spool({ learnt: { lead: { used: 120, reckoned: 100 } } }), 'lead')).toBeCloseTo(1.2, 9);
    // A slip of the scale is no habit.
    expect(ownShare(spool({ learnt: { lead: { used: 2000, reckoned: 100 } } }), 'lead')).toBeNull();
    const taught = spool({ learnt: { lead: { used: 120, reckoned: 100 } } });
    // Joints tell nothing of seams.
    expect(ownShare(taught, 'foil')).toBeNull();
    expect(supplyNeeds([{ kind: 'solder', sort: '60/40', amount: 100 }], [taught], 'lead')[0]?.needed).toBeCloseTo(
      120,
      9,
    );
  });
});
