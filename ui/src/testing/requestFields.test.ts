import { expect, test } from 'vitest';
import { unknownFields } from './requestFields';

test('a field that the server does not know is named, however deep it lies', () => {
  const region = { x: 0, y: 0, width: 10, height: 10 };
  expect(unknownFields('PUT', '/api/v1/tickets/a', { ppi: 300, file: { kind: 'jpeg', quality: 90 } })).toEqual([]);
  expect(unknownFields('PUT', '/api/v1/tickets/a', { pppi: 300, file: { kind: 'jpeg', qualitty: 90 } })).toEqual([
    'body.pppi',
    'body.file.qualitty',
  ]);
  expect(unknownFields('POST', '/api/v1/originals/a/proof', { region })).toEqual([]);
  expect(unknownFields('POST', '/api/v1/originals/a/proof', { region: { ...region, edges: {} } })).toEqual(['body.region.edges']);
});
