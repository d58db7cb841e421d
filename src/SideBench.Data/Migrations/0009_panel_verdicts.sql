-- Verdicts of jobs whose panel had been asked: what codes turned out to be is counted from these alone.
CREATE INDEX verdicts_panel ON verdicts (model_id, cause) WHERE body ? 'panel';
