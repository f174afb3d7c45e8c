/** Cards of each list that the home page brings along; the others come when they are asked for. */
export const shownAtFirst = 16;
/** How many more show with each press of the button for more. */
export const shownMore = 100;
