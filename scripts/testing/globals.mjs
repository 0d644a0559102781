export const { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it, jest, test } = globalThis
