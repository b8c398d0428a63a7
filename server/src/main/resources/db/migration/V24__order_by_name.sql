-- Names as people sort them: numbers as numbers, letters whatever their case (Unicode Technical Standard 35, kn).
create collation names (provider = icu, locale = 'und-u-kn-true');
