-- The questions "fine", "what" and "tell" are called by the field's words.
UPDATE "experiments" SET "plan" = jsonb_set("plan", '{asked,question}', CASE "plan"->'asked'->>'question' WHEN 'tell' THEN '"discriminate"'::jsonb WHEN 'fine' THEN '"jnd"'::jsonb ELSE '"explore"'::jsonb END) WHERE "plan"->'asked'->>'question' IN ('tell', 'fine', 'what');
