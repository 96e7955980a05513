import { NotHere } from '@/ui/base/NotHere';

export default function NotFound() {
  return <NotHere />;
}
