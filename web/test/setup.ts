import { configure } from '@testing-library/dom';

// What is waited for may take its time on a busy machine; what never comes fails all the same.
configure({ asyncUtilTimeout: 15_000 });
