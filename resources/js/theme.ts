// For pages without an interface of their own.
import { preferred, show } from '@/lib/preferred';

show(preferred());
