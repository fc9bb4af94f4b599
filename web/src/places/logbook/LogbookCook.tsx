export function LogbookCook() {
  return null;
}
