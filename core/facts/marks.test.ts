import { about, endMark, filled, marksIn } from './marks';

test('marks are found in order, and only those there are', () => {
  expect(marksIn('burnt:$e of $g, $q and $')).toEqual(['$e', '$g']);
  expect(marksIn('sump')).toEqual([]);
});

test('a pattern that ends with a mark is told apart from one that holds it elsewhere', () => {
  expect(endMark('lining:$e')).toEqual({ head: 'lining:', mark: '$e' });
  expect(endMark('$p')).toEqual({ head: '', mark: '$p' });
  expect(endMark('$p:x')).toBeNull();
  expect(endMark('part.x')).toBeNull();
});

test('filling leaves what is not said, and takes names as they are', () => {
  expect(filled('with:$p at $g', { $p: 'a$e' })).toBe('with:a$e at $g');
  expect(filled('$p$p', { $p: 'x' })).toBe('xx');
  expect(about('root-part:$p of $s', '$&')).toBe('root-part:$& of $&');
});
