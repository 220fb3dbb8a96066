import { DomainError } from '@saltflat/contract';
import { UniqueConstraintError } from 'sequelize';

/** Writes a record under its name; one that is there already is refused in words. */
export async function named<T>(name: string, write: () => Promise<T>): Promise<T> {
  try {
    return await write();
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error;
    throw new DomainError(
      'name-taken',
      `“${name}” is there already, perhaps out of use. Choose another name.`,
      { fields: [{ path: '/record/name', message: `“${name}” is there already.` }] },
      { cause: error },
    );
  }
}
