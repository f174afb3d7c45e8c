/**
 * The few statements that every save needs, prepared once. Through the models they take several times
 * as long, and a class that saves is most of what the server has to do.
 */
import type { Database, Statement } from 'sqlite3';

export class Statements {
	private readonly prepared = new Map<string, Statement>();

	constructor(private readonly connection: Database) {}

	private prepare(sql: string): Statement {
		const known = this.prepared.get(sql);
		if (known) return known;
		const made = this.connection.prepare(sql);
		this.prepared.set(sql, made);
		return made;
	}

	/** @param values for ?1, ?2 ... */
	select<Row>(sql: string, values: readonly unknown[]): Promise<Row[]> {
		return new Promise((done, fail) =>
			this.prepare(sql).all<Row>(values, (error, rows) => (error ? fail(error) : done(rows)))
		);
	}

	/** @returns how many rows it has changed */
	change(sql: string, values: readonly unknown[]): Promise<number> {
		return new Promise((done, fail) =>
			this.prepare(sql).run(values, function (error) {
				if (error) fail(error);
				else done(this.changes);
			})
		);
	}

	/** Before the connection closes. */
	async finalize(): Promise<void> {
		const all = [...this.prepared.values()];
		this.prepared.clear();
		await Promise.all(all.map((each) => new Promise<void>((done) => each.finalize(() => done()))));
	}
}
