/** All migrations, oldest first. One that has been released is never changed. */
import { DataTypes, type QueryInterface } from 'sequelize';
import type { MigrationParams, RunnableMigration } from 'umzug';

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
		await context.addIndex('documents', ['kind', 'deletedAt', 'updatedAt']);
	},
	down: async ({ context }: MigrationParams<QueryInterface>) => {
		await context.dropTable('documents');
		await context.dropTable('people');
		await context.dropTable('classes');
	}
};

export const migrations: Migration[] = [firstTables];
