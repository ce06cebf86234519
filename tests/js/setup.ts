import { configure } from '@testing-library/dom';

/* How long tests of components wait for what they look for, ms. */
configure({ asyncUtilTimeout: 20_000 });
