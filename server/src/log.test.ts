import { expect, it } from '@jest/globals';
import { loggable } from './log.ts';

it('an error is logged with its message and stack', () => {
  const error = new Error('the disk does not answer');
  expect(loggable(error)).toMatchObject({ message: error.message, stack: error.stack });
});

it('the parameters of a statement are not', () => {
  const error = Object.assign(new Error('refused'), {
    code: '23503',
    query: 'INSERT INTO answer',
    parameters: ['what somebody typed'],
  });
  expect(JSON.stringify(loggable(error))).not.toContain('typed');
  expect(loggable(error).code).toBe('23503');
});

it('whatever else is thrown is logged as text', () => {
  expect(loggable('no')).toEqual({ name: 'string', message: 'no' });
});
