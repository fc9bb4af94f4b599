import config from "./playwright.config";

export default { ...config, testDir: "pictures" };
