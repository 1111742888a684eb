import { dimensions } from '../measure/dimensions';

// Every formula that a test runs is held to the unit of what it gives.
dimensions.checked = true;
