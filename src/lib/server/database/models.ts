/** The tables as Sequelize sees them. Their shape is made by the migrations. */
import {
	DataTypes,
	type Model,
	type CreationOptional,
	type InferAttributes,
	type InferCreationAttributes,
	type Sequelize
} from 'sequelize';
import type { DocumentKind } from '$lib/saving/protocol';

/** Somebody who picked a name. Classes and roles have their place here; nothing reads them yet. */
export interface PersonRow extends Model<
	InferAttributes<PersonRow>,
	InferCreationAttributes<PersonRow>
> {
	id: string;
	name: string;
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
	deletedAt: CreationOptional<Date | null>;
	createdAt: CreationOptional<Date>;
	updatedAt: CreationOptional<Date>;
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
			deletedAt: DataTypes.DATE,
			createdAt: DataTypes.DATE,
			updatedAt: DataTypes.DATE
		},
		{ tableName: 'documents' }
	);
	documents.belongsTo(people, { as: 'owner', foreignKey: 'ownerId' });
	return { people, documents };
}
