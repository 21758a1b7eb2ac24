import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { keyForm, partKeys } from './keys.js';

const word = fc.stringMatching(/^[a-zA-Z0-9_-]{1,12}$/);

test('what a key is made of is what is read of it, and no other form reads it', () => {
  fc.assert(
    fc.property(word, word, fc.nat(30), (opening, hand, number) => {
      const packing = partKeys.packing.of({ opening, hand });
      assert.deepEqual(partKeys.packing.read(packing), { opening, hand });
      const shelf = partKeys.shelf.of({ room: opening, number });
      assert.deepEqual(partKeys.shelf.read(shelf), { room: opening, number: String(number) });
      for (const form of [partKeys.spacer, partKeys.plinth, partKeys.divider, partKeys.box])
        assert.equal(form.read(shelf), undefined);
      // A room whose id begins as another's does is another room.
      assert.notEqual(partKeys.divider.read(partKeys.divider.of({ after: `${opening}1` }))?.after, opening);
    }),
  );
});

test('some steps of a key may be many, and never none', () => {
  const cut = keyForm('cut/:at/*part');
  assert.deepEqual(cut.read(cut.of({ at: 3, part: 'drawer/o1/box/left' })), { at: '3', part: 'drawer/o1/box/left' });
  const hinge = keyForm('hinge/*front/:number');
  assert.deepEqual(hinge.read('hinge/door/o1/left/2'), { front: 'door/o1/left', number: '2' });
  assert.equal(hinge.read('hinge/2'), undefined);
  for (const key of ['cut/3', 'cut/3/', 'cut//side', 'cuts/3/side', '', null, undefined])
    assert.equal(cut.read(key), undefined, String(key));
});
