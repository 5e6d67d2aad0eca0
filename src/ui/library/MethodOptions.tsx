import { schoolOf, SCHOOLS, type Method } from '../../core/model';
import { SCHOOL_NAMES } from '../../formats/messages/method';
import { formatSetPoint } from '../../formats/units';
import { useUnits } from '../kit/UnitsProvider';

/** Methods to choose from: by school where there are several, as they come where there are few; without their heat where that stands beside. */
export function MethodOptions({ methods, withHeat = true }: { methods: readonly Method[]; withHeat?: boolean }) {
  const units = useUnits();
  const option = (method: Method) => (
    <option key={method.id} value={method.id}>
      {withHeat ? `${method.name}, ${formatSetPoint(method.pitC, units)}` : method.name}
    </option>
  );
  if (methods.every((method) => method.purpose !== 'tender')) return methods.map(option);
  return SCHOOLS.flatMap((school) => {
    const own = methods.filter((method) => schoolOf(method) === school);
    if (own.length === 0) return [];
    return [
      <optgroup key={school} label={SCHOOL_NAMES[school]}>
        {own.map(option)}
      </optgroup>,
    ];
  });
}
