/**
 * Options of Node.js for the server. Requests of some megabytes come and go; with a small nursery the
 * engine gives their memory back soon, and all other requests need no larger one.
 *
 * @type {string[]}
 */
export const execArgv = ['--max-semi-space-size=4'];
