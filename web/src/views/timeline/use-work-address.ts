import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';

/** Where a piece of work opens beside the timeline, as it is looked at and narrowed. */
export function useWorkAddress(): (work: number) => string {
  const { id } = useStudent();
  const [params] = useAddress();
  const query = params.toString();
  return (work) => `/s/${id}/timeline/${work}${query ? `?${query}` : ''}`;
}
