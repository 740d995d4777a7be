// SPDX-License-Identifier: GPL-3.0-or-later
// Layouts of packages: what is said of every package that goes to one archive. Kept by name, as JSON that can
// be handed on. Any thread.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"
#include "core/deliver/package/package.h"

namespace moorfrost::deliver {

struct PackageLayout {
    std::string name;
    std::string forWhom;                     // the archive that gets it
    std::string organisation, contact, mail; // who hands it over
    std::string description;                 // "": as the package is called
    bool operator==(const PackageLayout&) const = default;
};

const std::vector<PackageLayout>& shippedPackageLayouts();
std::string packageLayoutJson(const PackageLayout& layout);
/// An Error (Invalid) says what was not understood.
Result<PackageLayout> packageLayoutFromJson(std::string_view json);
std::vector<PackageLayout> packageLayoutsFrom(const std::vector<std::string>& kept);
const PackageLayout* packageLayoutNamed(const std::vector<PackageLayout>& layouts, std::string_view name);

/// `title`: of the package. `number`: "" for none.
PackageInfo packageInfo(const PackageLayout& layout, const std::string& title, const std::string& number);

} // namespace moorfrost::deliver
