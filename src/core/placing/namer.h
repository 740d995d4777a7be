// SPDX-License-Identifier: GPL-3.0-or-later
// The names of files by a plan, with what had to be done to make names of them. Inside placing/ only.
#pragma once

#include <set>
#include <unordered_map>

#include "core/files/safe_name.h"
#include "core/naming/plan.h"
#include "core/placing/placement.h"

namespace moorfrost::placing {

class Namer {
public:
    /// Both must outlive it.
    Namer(const std::vector<PutAwayFile>& files, const naming::Plan& plan, files::NameProfile profile);

    struct Named {
        std::vector<std::string> parts; // folders first; empty where there is no name
        std::vector<Mark> marks;
    };
    Named nameOf(const PutAwayFile& file) const;
    /// Of a field that the plan names, in the files of the sleeve.
    const std::set<std::string>& valuesOf(const std::string& sleeve, const std::string& key) const;

private:
    bool several(const PutAwayFile& file, const std::string& key) const;

    const naming::Plan& plan_;
    files::NameProfile profile_;
    std::unordered_map<std::string, std::map<std::string, std::set<std::string>>> values_; // by sleeve, key
};

/// How the name of the file will end: lower case, and the usual one of its format.
std::string endingOf(const PutAwayFile& file);

} // namespace moorfrost::placing
