import fc from 'fast-check'

/*
 * Property tests draw the same cases in every run, so that a run says something about the code and nothing about luck.
 * `./test deep` draws anew, many times more, and prints the seed it drew from.
 */
const deep = Number(process.env.DEEP ?? 1)
fc.configureGlobal({ seed: Number(process.env.FC_SEED ?? 20_270_508), numRuns: 100 * deep })
globalThis.DEEP = deep
