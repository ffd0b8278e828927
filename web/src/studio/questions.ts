/** What makes questions of a catalog, with the words of the trade: more than a first screen needs. */
export { createQuestionsAhead, pluginsAsked, questionsOf } from '@clever-drawer/core';
