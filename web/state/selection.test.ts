import { beforeEach, describe, expect, it } from 'vitest';
import { useSelection } from './selection.ts';

const picked = () => [...useSelection.getState().numbers];
beforeEach(() => useSelection.setState({ panelId: null, numbers: new Set(), at: null }));

describe('which pieces are picked', () => {
  it('choosing replaces, toggling adds and takes away; the keyboard stands on the last one', () => {
    const { choose, toggle } = useSelection.getState();
    choose('p', [1, 2, 3]);
    expect([picked(), useSelection.getState().at]).toEqual([[1, 2, 3], 3]);
    toggle('p', 2);
    expect([picked(), useSelection.getState().at]).toEqual([[1, 3], 2]);
    toggle('p', 9);
    expect(picked()).toEqual([1, 3, 9]);
    choose('p', [5], null);
    expect([picked(), useSelection.getState().at]).toEqual([[5], null]);
  });
  it('pieces of another panel are not carried over', () => {
    const { choose, toggle } = useSelection.getState();
    choose('p', [1, 2]);
    toggle('q', 7);
    expect([useSelection.getState().panelId, picked()]).toEqual(['q', [7]]);
  });
  it('clearing leaves nothing', () => {
    useSelection.getState().choose('p', [1]);
    useSelection.getState().clear();
    expect(picked()).toEqual([]);
  });
});
