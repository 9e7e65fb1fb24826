// Tests that open a book open it on the server of TEST_DATABASE_URL.
process.env['PEBBLE_TEST_ON_SERVER'] = '1';

export {};
