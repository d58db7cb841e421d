-- Photos of parts are looked up by the model they were taken on.
CREATE INDEX entries_photos ON entries (machine_id, entry_id) WHERE kind = 'photo-taken';
