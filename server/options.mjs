/**
 * Options of Node.js for the server. Requests of some megabytes come and go; so the engine gives their
 * memory back soon, in place of 200 MB later. Saving is as fast (`npm run bench:server`).
 *
 * @type {string[]}
 */
export const execArgv = ['--max-semi-space-size=4', '--optimize-for-size'];
