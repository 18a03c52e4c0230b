/** Long work on the screen's thread: in slices, between which others come to their turn. */
import { expect } from 'chai';
import { inSlices } from '$lib/ui/slices';

const busy = (ms: number) => {
  const until = performance.now() + ms;
  while (performance.now() < until);
};
function* steps(count: number, ms: number): Generator<undefined, number, boolean | undefined> {
  for (let n = 0; n < count; n += 1) {
    yield;
    busy(ms);
  }
  return count;
}

describe('Work in slices', () => {
  it('that is short is done at once', () => {
    let got = 0;
    inSlices(steps(3, 0), (result) => (got = result));
    expect(got).to.equal(3);
  });

  it('that is long lets others have their turn, and tells its result once', async () => {
    const heard: number[] = [];
    let turns = 0;
    const others = setInterval(() => (turns += 1), 1);
    await new Promise<void>((resolve) =>
      inSlices(steps(40, 2), (result) => {
        heard.push(result);
        resolve();
      }),
    );
    clearInterval(others);
    expect(heard).to.deep.equal([40]);
    // 80 ms of work in slices of 8 ms, each at most one step longer.
    expect(turns).to.be.greaterThan(4);
  });

  it('that is called off tells nothing and does no more', async () => {
    let [told, done] = [0, 0];
    function* counting(): Generator<undefined, void, boolean | undefined> {
      for (let n = 0; n < 1000; n += 1) {
        yield;
        busy(2);
        done += 1;
      }
    }
    inSlices(counting(), () => (told += 1))();
    const then = done;
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect([told, done]).to.deep.equal([0, then]);
  });
});
