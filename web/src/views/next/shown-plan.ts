import { useQuery } from '@tanstack/react-query';
import { nextQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useAddress } from '../../lib/address';
import { budgetOf } from '../../lib/budget';
import type { Next } from './model';

/** The plan that is on screen; nothing until it is there. */
export function useShownPlan(): Next | undefined {
  const { id } = useStudent();
  const [params] = useAddress();
  return useQuery(nextQuery(id, budgetOf(params.get('minutes')))).data;
}
