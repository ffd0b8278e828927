/**
 * @jest-environment jsdom
 */
import { describe, expect, it } from '@jest/globals';
import { renderHook } from '@testing-library/react';
import type { Question, Vendor } from '@clever-drawer/core/identify';
import { pluginOf } from '@clever-drawer/core/testing';
import { studioOf } from '../studio/studio.test-data.tsx';
import { useTitle } from './use-title.ts';

const sluice = pluginOf('Sluice', { vendor: 'Gannet & Rope' });
const heron = pluginOf('Heron');
const title = (question: Question) =>
  renderHook(useTitle, {
    wrapper: studioOf({
      plugins: [sluice, heron],
      records: [{ table: 'plugin-names', id: heron.id, nickname: 'Long legs', slotLabel: null }],
    }),
  }).result.current(question);
const asking = { id: 'q', others: [], suggestions: [], clear: [] } as const;

describe('what a question is called', () => {
  it('is its plugin, and who makes it', () => {
    expect(title({ ...asking, variant: 'type', plugin: sluice })).toEqual({
      name: 'Sluice',
      beside: 'Gannet & Rope',
    });
  });
  it('is the nickname where there is one; a missing vendor is said', () => {
    expect(title({ ...asking, variant: 'type', plugin: heron })).toEqual({
      name: 'Long legs',
      beside: 'no vendor named',
    });
  });
  it('counts the others that it is about as well', () => {
    const { name } = title({ ...asking, variant: 'type', plugin: sluice, others: [heron] });
    expect(name).toBe('Sluice and 1 more');
  });
  it('is the two vendors where these may be one', () => {
    const vendor = (name: string): Vendor => ({ name, spellings: [], count: 1 });
    const question: Question = {
      variant: 'vendor',
      id: 'q',
      plugin: null,
      others: [],
      guesses: [],
      near: { a: vendor('Gannet'), b: vendor('Gannet & Rope'), reason: 'one begins the other' },
    };
    expect(title(question)).toEqual({ name: 'Gannet', beside: 'Gannet & Rope' });
  });
});
