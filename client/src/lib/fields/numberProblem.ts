type Limits = { least?: number; most?: number; isWhole: boolean };

/** Why a typed number cannot be, with what can; empty where it can. */
export function numberProblem(typed: string, { least, most, isWhole }: Limits): string {
  const number = Number(typed);
  const range =
    least !== undefined && most !== undefined
      ? ` from ${least} to ${most}`
      : least !== undefined
        ? `, ${least} or more`
        : '';
  if (!Number.isFinite(number)) return `Type a number${range}.`;
  if (isWhole && !Number.isInteger(number)) return `Type a whole number${range}.`;
  if ((least !== undefined && number < least) || (most !== undefined && number > most)) return `Type a number${range}.`;
  return '';
}
