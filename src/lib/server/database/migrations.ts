/**
 * All migrations, oldest first; those that are due run in one transaction. One that has been released
 * is never changed, but that it does not mind what an earlier, killed try of it has left behind.
 */
import { DataTypes, QueryTypes, type QueryInterface } from 'sequelize';
import type { MigrationParams, RunnableMigration } from 'umzug';
import { nameKey } from '../name-key';

type Migration = RunnableMigration<QueryInterface>;

const firstTables: Migration = {
	name: '0001-people-and-documents',
	up: async ({ context }: MigrationParams<QueryInterface>) => {
		await context.createTable('classes', {
			id: { type: DataTypes.STRING, primaryKey: true },
			name: { type: DataTypes.STRING, allowNull: false },
			createdAt: { type: DataTypes.DATE, allowNull: false },
			updatedAt: { type: DataTypes.DATE, allowNull: false }
		});
		await context.createTable('people', {
			id: { type: DataTypes.STRING, primaryKey: true },
			name: { type: DataTypes.STRING, allowNull: false, unique: true },
			role: { type: DataTypes.STRING, allowNull: false, defaultValue: 'learner' },
			classId: {
				type: DataTypes.STRING,
				allowNull: true,
				references: { model: 'classes', key: 'id' },
				onDelete: 'SET NULL'
			},
			createdAt: { type: DataTypes.DATE, allowNull: false },
			updatedAt: { type: DataTypes.DATE, allowNull: false }
		});
		await context.createTable('documents', {
			id: { type: DataTypes.STRING, primaryKey: true },
			kind: { type: DataTypes.STRING, allowNull: false },
			ownerId: {
				type: DataTypes.STRING,
				allowNull: true,
				references: { model: 'people', key: 'id' },
				onDelete: 'SET NULL'
			},
			name: { type: DataTypes.STRING, allowNull: false },
			content: { type: DataTypes.TEXT, allowNull: false },
			bench: { type: DataTypes.TEXT, allowNull: true },
			revision: { type: DataTypes.INTEGER, allowNull: false },
			saveId: { type: DataTypes.STRING, allowNull: false },
			deletedAt: { type: DataTypes.DATE, allowNull: true },
			createdAt: { type: DataTypes.DATE, allowNull: false },
			updatedAt: { type: DataTypes.DATE, allowNull: false }
		});
		await context.sequelize.query(
			'CREATE INDEX IF NOT EXISTS documents_kind_deleted_at_updated_at ' +
				'ON documents (kind, deletedAt, updatedAt)'
		);
	},
	down: async ({ context }: MigrationParams<QueryInterface>) => {
		await context.dropTable('documents');
		await context.dropTable('people');
		await context.dropTable('classes');
	}
};

/** Names that are the same but for case, width or invisible signs become one person: the first. */
const nameKeys: Migration = {
	name: '0002-name-keys',
	up: async ({ context }: MigrationParams<QueryInterface>) => {
		const { sequelize } = context;
		await context.addColumn('people', 'key', { type: DataTypes.STRING });
		const people = await sequelize.query<{ id: string; name: string }>(
			'SELECT id, name FROM people ORDER BY createdAt, id',
			{ type: QueryTypes.SELECT }
		);
		const firsts = new Map<string, string>();
		for (const { id, name } of people) {
			const key = nameKey(name);
			const first = firsts.get(key);
			if (first === undefined) {
				firsts.set(key, id);
				await sequelize.query('UPDATE people SET key = ? WHERE id = ?', {
					replacements: [key, id]
				});
			} else {
				const replacements = [first, id];
				await sequelize.query('UPDATE documents SET ownerId = ? WHERE ownerId = ?', {
					replacements
				});
				await sequelize.query('DELETE FROM people WHERE id = ?', { replacements: [id] });
			}
		}
		await sequelize.query('CREATE UNIQUE INDEX people_key ON people (key)');
	},
	down: async ({ context }: MigrationParams<QueryInterface>) => {
		await context.sequelize.query('DROP INDEX people_key');
		await context.sequelize.query('ALTER TABLE people DROP COLUMN key');
	}
};

/** Lists are made without contents; a document knows who saved it, and its last saves. */
const listColumns: Migration = {
	name: '0003-list-columns',
	up: async ({ context }: MigrationParams<QueryInterface>) => {
		await context.addColumn('documents', 'summary', { type: DataTypes.TEXT, allowNull: true });
		await context.addColumn('documents', 'savedBy', { type: DataTypes.STRING, allowNull: true });
		await context.addColumn('documents', 'earlierSaves', {
			type: DataTypes.TEXT,
			allowNull: false,
			defaultValue: ''
		});
	},
	down: async ({ context }: MigrationParams<QueryInterface>) => {
		for (const column of ['summary', 'savedBy', 'earlierSaves'])
			await context.sequelize.query(`ALTER TABLE documents DROP COLUMN ${column}`);
	}
};

/** Days, as SQLite counts time, within which one person's saves are one version. */
const twoMinutes = '2.0 / 1440';

/**
 * Earlier contents. The database keeps them by itself in the very moment of an overwrite, so that no
 * way of writing can forget it: when somebody else overwrites, when a content had stood for a while,
 * and otherwise every two minutes.
 */
const versions: Migration = {
	name: '0004-versions',
	up: async ({ context }: MigrationParams<QueryInterface>) => {
		const { sequelize } = context;
		await sequelize.query(`CREATE TABLE versions (
			id INTEGER PRIMARY KEY AUTOINCREMENT,
			documentId VARCHAR(255) NOT NULL REFERENCES documents (id) ON DELETE CASCADE,
			name VARCHAR(255) NOT NULL,
			content TEXT NOT NULL,
			summary TEXT,
			savedBy VARCHAR(255),
			savedAt DATETIME NOT NULL
		)`);
		await sequelize.query('CREATE INDEX versions_document ON versions (documentId, savedAt)');
		await sequelize.query(`CREATE TRIGGER keep_version BEFORE UPDATE OF content ON documents
			WHEN OLD.content <> NEW.content AND (
				OLD.savedBy IS NOT NEW.savedBy
				OR julianday(NEW.updatedAt) - julianday(OLD.updatedAt) > ${twoMinutes}
				OR NOT EXISTS (
					SELECT 1 FROM versions WHERE documentId = OLD.id
						AND savedAt <= OLD.updatedAt
						AND julianday(savedAt) > julianday(OLD.updatedAt) - ${twoMinutes}
				)
			)
			BEGIN
				INSERT INTO versions (documentId, name, content, summary, savedBy, savedAt)
				VALUES (OLD.id, OLD.name, OLD.content, OLD.summary, OLD.savedBy, OLD.updatedAt);
			END`);
	},
	down: async ({ context }: MigrationParams<QueryInterface>) => {
		await context.sequelize.query('DROP TRIGGER keep_version');
		await context.dropTable('versions');
	}
};

/** Facts about this installation itself. */
const facts: Migration = {
	name: '0005-facts',
	up: async ({ context }: MigrationParams<QueryInterface>) => {
		await context.createTable('facts', {
			name: { type: DataTypes.STRING, primaryKey: true },
			content: { type: DataTypes.STRING, allowNull: false }
		});
	},
	down: async ({ context }: MigrationParams<QueryInterface>) => context.dropTable('facts')
};

/**
 * Attempts, with what lists show of them in columns; recordings, and plans and courses as they were, are
 * kept once by their hash.
 */
const attempts: Migration = {
	name: '0006-attempts',
	up: async ({ context }: MigrationParams<QueryInterface>) => {
		const { sequelize } = context;
		await sequelize.query(`CREATE TABLE IF NOT EXISTS blobs (
			hash VARCHAR(64) PRIMARY KEY,
			content BLOB NOT NULL,
			keptAt INTEGER NOT NULL
		)`);
		await sequelize.query(`CREATE TABLE IF NOT EXISTS attempts (
			id VARCHAR(64) PRIMARY KEY,
			planId VARCHAR(64) NOT NULL,
			courseId VARCHAR(64),
			ownerId VARCHAR(64) REFERENCES people (id) ON DELETE SET NULL,
			at INTEGER NOT NULL,
			goneAt INTEGER,
			name VARCHAR(80),
			note VARCHAR(500),
			isPinned INTEGER NOT NULL,
			marks TEXT,
			summary TEXT NOT NULL,
			modelVersion INTEGER NOT NULL,
			courseMark INTEGER NOT NULL,
			touches TEXT,
			onlyChain VARCHAR(40),
			bytes INTEGER NOT NULL,
			recordingHash VARCHAR(64) NOT NULL REFERENCES blobs (hash),
			planHash VARCHAR(64) NOT NULL REFERENCES blobs (hash),
			courseHash VARCHAR(64) NOT NULL REFERENCES blobs (hash)
		)`);
		await sequelize.query('CREATE INDEX IF NOT EXISTS attempts_plan ON attempts (planId, at)');
		await sequelize.query('CREATE INDEX IF NOT EXISTS attempts_owner ON attempts (ownerId, at)');
		for (const column of ['recordingHash', 'planHash', 'courseHash'])
			await sequelize.query(
				`CREATE INDEX IF NOT EXISTS attempts_${column} ON attempts (${column})`
			);
	},
	down: async ({ context }: MigrationParams<QueryInterface>) => {
		await context.dropTable('attempts');
		await context.dropTable('blobs');
	}
};

/** Fitted models of robots, as the documents that they are. */
const robotModels: Migration = {
	name: '0007-robot-models',
	up: async ({ context }: MigrationParams<QueryInterface>) => {
		await context.sequelize.query(`CREATE TABLE IF NOT EXISTS robotModels (
			kind VARCHAR(40) NOT NULL,
			nameKey VARCHAR(200) NOT NULL,
			at VARCHAR(40) NOT NULL,
			content TEXT NOT NULL,
			PRIMARY KEY (kind, nameKey)
		)`);
	},
	down: async ({ context }: MigrationParams<QueryInterface>) => context.dropTable('robotModels')
};

/** Which attempts one was set beside, and kept so. */
const comparisons: Migration = {
	name: '0008-comparisons',
	up: async ({ context }: MigrationParams<QueryInterface>) => {
		const [columns] = await context.sequelize.query('PRAGMA table_info(attempts)');
		if ((columns as { name: string }[]).some(({ name }) => name === 'beside')) return;
		await context.sequelize.query('ALTER TABLE attempts ADD COLUMN beside TEXT');
	},
	down: async ({ context }: MigrationParams<QueryInterface>) =>
		context.removeColumn('attempts', 'beside')
};

/** Pictures of lamps that a class shares, by the hash of what they show. */
const pictures: Migration = {
	name: '0009-pictures',
	up: async ({ context }: MigrationParams<QueryInterface>) => {
		await context.sequelize.query(`CREATE TABLE IF NOT EXISTS pictures (
			id VARCHAR(64) NOT NULL PRIMARY KEY,
			name VARCHAR(80) NOT NULL,
			film TEXT NOT NULL,
			ownerId VARCHAR(40),
			at VARCHAR(40) NOT NULL
		)`);
		await context.sequelize.query('CREATE INDEX IF NOT EXISTS pictures_at ON pictures (at)');
	},
	down: async ({ context }: MigrationParams<QueryInterface>) => context.dropTable('pictures')
};

/** Sounds that people have recorded, by the hash of their file. */
const sounds: Migration = {
	name: '0010-sounds',
	up: async ({ context }: MigrationParams<QueryInterface>) => {
		await context.sequelize.query(`CREATE TABLE IF NOT EXISTS sounds (
			id VARCHAR(64) NOT NULL PRIMARY KEY,
			wav BLOB NOT NULL,
			keptAt INTEGER NOT NULL
		)`);
	},
	down: async ({ context }: MigrationParams<QueryInterface>) => context.dropTable('sounds')
};

export const migrations: Migration[] = [
	firstTables,
	nameKeys,
	listColumns,
	versions,
	facts,
	attempts,
	robotModels,
	comparisons,
	pictures,
	sounds
];
