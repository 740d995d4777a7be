// SPDX-License-Identifier: GPL-3.0-or-later
// Edits of how values are written: capitals, spaces, dates, guests, sort forms. Any thread.
#pragma once

#include "core/edits/edits.h"

namespace moorfrost::edits {

enum class Casing { Title, Sentence, Lower, Upper };

/// Of the chosen fields, those that hold free text; codes, numbers and dates stay as they are. `language`: of
/// text::casingLanguages(); "": every word alike; "field": what the file's language says, else English.
Proposals changeCase(const std::vector<Subject>& files, Casing casing, const std::string& language = {});

struct Tidying {
    std::vector<std::string> fields = {}; // keys; none: all that hold text
    bool underscores = true;              // to spaces, where there are no spaces
    bool quotes = false;                  // straight ones and dashes to those of print
    bool doubled = true;                  // the same value twice becomes one
};
/// Always: space at the ends, runs of spaces, what cannot be seen (control characters, marks of zero width).
Proposals tidy(const std::vector<Subject>& files, const Tidying& how);

enum class DateOrder { DayFirst, MonthFirst };
/// "5.10.1998", "Oct 5, 1998", "5 octobre 1998" as ISO 8601; what is a date already stays, what is not
/// understood stays, too. `yearOnly`: nothing but the year. `order`: of 05/10/1998.
Proposals isoDates(const std::vector<Subject>& files, const std::vector<std::string>& fields, DateOrder order,
                   bool yearOnly);
/// "5 octobre 1998" as "1998-10-05"; "" where it is not understood, or there is no such day.
std::string isoDate(const std::string& said, DateOrder order);

/// What "(feat. X)" is in.
enum class Guests { TitleToArtist, ArtistToTitle };
/// Guests named in the title become further values of the artist, or the other way round: all values behind
/// the first become "(feat. B, C)" at the end of the title.
Proposals moveGuests(const std::vector<Subject>& files, Guests direction);

/// "Hollow Ferry, The" for the sort form of these fields (of title, artist, album, album_artist, composer).
/// Where it would be the same as the field, none is needed.
Proposals sortForms(const std::vector<Subject>& files, const std::vector<std::string>& fields,
                    bool onlyWhereBlank);

} // namespace moorfrost::edits
