/** The desk lives in the browser: drafts on the device come before what the server has. */
export const ssr = false;
