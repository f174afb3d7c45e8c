import { createServer, type AddressInfo } from 'node:net';

/** A port on which nobody listens. */
export const freePort = (): Promise<number> =>
	new Promise((answer, fail) => {
		const server = createServer();
		server.once('error', fail);
		server.listen(0, () => {
			const { port } = server.address() as AddressInfo;
			server.close(() => answer(port));
		});
	});
