export function FryerPlace() {
  return null;
}
