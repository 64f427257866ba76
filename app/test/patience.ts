import { configure } from '@testing-library/react-native';

// A loaded machine takes its time; a wait ends as soon as what it waits for is there.
configure({ asyncUtilTimeout: 20_000 });
