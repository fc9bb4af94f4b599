export function FryerCook() {
  return null;
}
