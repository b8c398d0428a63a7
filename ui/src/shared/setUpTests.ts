import { cleanup, configure } from '@testing-library/react';
import { afterEach } from 'vitest';

// Everything else is built on the same cores at the same time.
configure({ asyncUtilTimeout: 15_000 });

// What one test has drawn is not there for the next.
afterEach(cleanup);
