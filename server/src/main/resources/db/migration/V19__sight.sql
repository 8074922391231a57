-- What a guardian sees beside work and grades, and what who comes by an invitation will see.
ALTER TABLE guardianship ADD COLUMN sees_words BOOLEAN DEFAULT TRUE NOT NULL;
ALTER TABLE guardianship ADD COLUMN sees_messages BOOLEAN DEFAULT TRUE NOT NULL;
ALTER TABLE invitation ADD COLUMN sees_words BOOLEAN DEFAULT TRUE NOT NULL;
ALTER TABLE invitation ADD COLUMN sees_messages BOOLEAN DEFAULT TRUE NOT NULL;
