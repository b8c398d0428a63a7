import { expect, it } from 'vitest';
import { pageTitle } from './usePageTitle';

it('names the job and its page', () => {
  expect(pageTitle('/jobs/0190/bench', 'Kites')).toBe('Kites · Bench · Embrick');
  expect(pageTitle('/jobs/0190/delivery/7', 'Kites')).toBe('Kites · Delivery · Embrick');
  expect(pageTitle('/jobs/0190', undefined)).toBe('Pile · Embrick');
});

it('names the pages outside a job', () => {
  expect(pageTitle('/', undefined)).toBe('Jobs · Embrick');
  expect(pageTitle('/desk/sizes', undefined)).toBe('Desk · Embrick');
  expect(pageTitle('/nowhere', undefined)).toBe('Embrick');
});
