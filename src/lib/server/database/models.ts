/** The tables as Sequelize sees them. Their shape is made by the migrations. */
import {
	DataTypes,
	type Model,
	type CreationOptional,
	type InferAttributes,
	type InferCreationAttributes,
	type Sequelize
} from 'sequelize';
import type { DocumentKind } from '$lib/saving/kinds';

/** Somebody who picked a name. Classes and roles have their place here; nothing reads them yet. */
export interface PersonRow extends Model<
	InferAttributes<PersonRow>,
	InferCreationAttributes<PersonRow>
> {
	id: string;
	/** As it was typed first. */
	name: string;
	/** What makes it this name and no other: see ../name-key. */
	key: string;
	role: CreationOptional<string>;
	classId: CreationOptional<string | null>;
}

/** A plan or a course, as JSON text, with what guards it against being overwritten. */
export interface DocumentRow extends Model<
	InferAttributes<DocumentRow>,
	InferCreationAttributes<DocumentRow>
> {
	id: string;
	kind: DocumentKind;
	ownerId: string | null;
	name: string;
	content: string;
	/** What stands on the workbench beside a plan, as JSON text. */
	bench: string | null;
	/** 1 for the first save, one more with each. */
	revision: number;
	/** Names the save that made this revision; the same save sent twice counts once. */
	saveId: string;
	/** The saves before that one, newest first, with spaces between them. */
	earlierSaves: CreationOptional<string>;
	/** The id of who saved it last. */
	savedBy: CreationOptional<string | null>;
	/** What lists show of the content, as JSON text; null until it is looked at. */
	summary: CreationOptional<string | null>;
	deletedAt: CreationOptional<Date | null>;
	createdAt: CreationOptional<Date>;
	updatedAt: CreationOptional<Date>;
}

/** An earlier content of a document; the database itself keeps it (see ./migrations). */
export interface VersionRow extends Model<InferAttributes<VersionRow>> {
	id: number;
	documentId: string;
	name: string;
	content: string;
	summary: string | null;
	savedBy: string | null;
	savedAt: Date;
}

/** Something that is true of this installation, such as which build has read its documents. */
export interface FactRow extends Model<InferAttributes<FactRow>, InferCreationAttributes<FactRow>> {
	name: string;
	content: string;
}

// Sequelize writes into these, so each column gets one of its own.
const key = () => ({ type: DataTypes.STRING, primaryKey: true });
const text = () => ({ type: DataTypes.STRING, allowNull: false });
const optionalText = () => ({ type: DataTypes.STRING, allowNull: true });

export function defineModels(sequelize: Sequelize) {
	const people = sequelize.define<PersonRow>(
		'Person',
		{
			id: key(),
			name: text(),
			key: text(),
			role: { ...text(), defaultValue: 'learner' },
			classId: optionalText()
		},
		{ tableName: 'people' }
	);
	const documents = sequelize.define<DocumentRow>(
		'Document',
		{
			id: key(),
			kind: text(),
			ownerId: optionalText(),
			name: text(),
			content: { type: DataTypes.TEXT, allowNull: false },
			bench: { type: DataTypes.TEXT, allowNull: true },
			revision: { type: DataTypes.INTEGER, allowNull: false },
			saveId: text(),
			earlierSaves: { type: DataTypes.TEXT, allowNull: false, defaultValue: '' },
			savedBy: optionalText(),
			summary: { type: DataTypes.TEXT, allowNull: true },
			deletedAt: DataTypes.DATE,
			createdAt: DataTypes.DATE,
			updatedAt: DataTypes.DATE
		},
		{ tableName: 'documents' }
	);
	const versions = sequelize.define<VersionRow>(
		'Version',
		{
			id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
			documentId: text(),
			name: text(),
			content: { type: DataTypes.TEXT, allowNull: false },
			summary: { type: DataTypes.TEXT, allowNull: true },
			savedBy: optionalText(),
			savedAt: DataTypes.DATE
		},
		{ tableName: 'versions', timestamps: false }
	);
	const facts = sequelize.define<FactRow>(
		'Fact',
		{ name: key(), content: text() },
		{ tableName: 'facts', timestamps: false }
	);
	documents.belongsTo(people, { as: 'owner', foreignKey: 'ownerId' });
	versions.belongsTo(people, { as: 'author', foreignKey: 'savedBy' });
	return { people, documents, versions, facts };
}
