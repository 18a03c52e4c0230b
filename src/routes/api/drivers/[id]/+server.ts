/** The files of one package of the library, as they are downloaded from its maker's page. */
import { error, json } from '@sveltejs/kit';
import { filesOf } from '$demo/drivers';
import { PACKAGE_FILES } from '../library';

export function GET({ params }: { params: { id: string } }) {
  const files = filesOf(params.id, PACKAGE_FILES);
  if (files.length === 0) error(404, `There is no package ${params.id.slice(0, 64)}`);
  return json(files);
}
