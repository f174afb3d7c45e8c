/** How many cases a large property tries: few with each commit, all of them in `npm run properties`. */
const { process } = globalThis as {
	process?: { env: Readonly<Record<string, string | undefined>> };
};

export const runs = (few: number, all: number): number =>
	process?.env.PROPERTIES === 'all' ? all : few;
