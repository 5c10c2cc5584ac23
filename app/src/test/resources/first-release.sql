INSERT INTO organisation VALUES (1, 'Saltmarrow Sea School', 'America/Halifax', 'CA', 'office@saltmarrow.example', '#1f5c4d', '', x'00112233445566778899aabbccddeeff', '2027-01-01T00:00:00.000Z');
INSERT INTO account VALUES (1, 'demo@saltmarrow.example', 'Demo Organiser', 'ORGANISER', 'x', '2027-01-01T00:00:00.000Z');
INSERT INTO venue VALUES (3, 'Rope loft', 'PLACE', 'Saltmarrow quay', '', '', 12);
INSERT INTO offering VALUES (5, 'knots', 'Knots', 's', 'd', '', 'IN_PERSON', 3, 'Barnaby Teague', 'America/Halifax', 120, 8, 1, 3, 0, 15, 15, 'PUBLISHED', 4, '2027-01-01T00:00:00.000Z');
INSERT INTO session VALUES (7, 5, '2027-03-16T22:00:00.000Z', '2027-03-17T00:00:00.000Z', 'America/Halifax', 8, 0, 'OPEN', 'room-7-abc', 0, '2027-01-01T00:00:00.000Z');
INSERT INTO person VALUES (8, 'kofi@crew.example', 'Kofi Brannigan', '', 'America/Halifax', '2027-01-01T00:00:00.000Z');
INSERT INTO registration VALUES (9, 7, 8, 'REGISTERED', 2, 0, 1, 'Kofi Brannigan', 'America/Halifax', NULL, '2027-01-01T00:00:00.000Z', '2027-01-01T00:00:00.000Z');
INSERT INTO question VALUES (4, 5, 'left_handed', 0, 'YES_NO', 'Left-handed?', '', 0, '');
INSERT INTO answer VALUES (9, 4, 'Left-handed?', 'yes');
INSERT INTO person VALUES (9, 'wren@crew.example', 'Wren Skerry', '', 'America/Halifax', '2027-01-01T00:00:00.000Z');
INSERT INTO registration VALUES (10, 7, 9, 'WAITLISTED', 1, 0, 1, 'Wren Skerry', 'America/Halifax', NULL, '2027-01-02T00:00:00.000Z', '2027-01-02T00:00:00.000Z');
INSERT INTO hand_mark VALUES (9, 7, 'ATTENDED', 'demo', '2027-01-01T00:00:00.000Z');
INSERT INTO plan_line VALUES (1, 5, 'BEFORE_START', 1, 'DAYS');
INSERT INTO message VALUES (1, 'k', 9, 7, 'REGISTERED', 0, 'MINUTES', 'kofi@crew.example', 's', 'SENT', '', 1, '2027-01-01T00:00:00.000Z', '2027-01-01T00:00:00.000Z', '2027-01-01T00:00:00.000Z', '2027-01-01T00:00:00.000Z')
