import * as z from 'zod';

// Schemas are read as they stand and not made into code: the page lets no text become code, and would say so on each view.
z.config({ jitless: true });
