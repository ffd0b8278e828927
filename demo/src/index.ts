/** The made-up studio of Kestrel Quay: its folders, and its seeding. */
export { makePlugins, studioSize, type DemoPlugin } from './plugins.ts';
export { demoComputer, seedStudio } from './seed.ts';
export { createTravel, type Travel } from './travel.ts';
export { studioSeed, writeStudio, type Studio } from './write-studio.ts';
