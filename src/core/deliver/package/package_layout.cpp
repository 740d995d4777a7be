// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/package/package_layout.h"

#include "core/deliver/layout_json.h"

namespace moorfrost::deliver {

namespace {

using Json = nlohmann::ordered_json;

constexpr const char* thing = "a package";

} // namespace

const std::vector<PackageLayout>& shippedPackageLayouts() {
    static const std::vector<PackageLayout> shipped = {{"For any archive", {}, {}, {}, {}, {}}};
    return shipped;
}

std::string packageLayoutJson(const PackageLayout& l) {
    const Json out = {{"package_layout", l.name}, {"for", l.forWhom}, {"organisation", l.organisation},
                      {"contact", l.contact},     {"mail", l.mail},   {"description", l.description}};
    return out.dump(-1, ' ', false, Json::error_handler_t::replace);
}

Result<PackageLayout> packageLayoutFromJson(std::string_view text) {
    const auto json = readLayoutJson(text, "package_layout", thing);
    if (!json)
        return json.error();
    PackageLayout out;
    LayoutReader in(*json);
    in.text("package_layout", out.name);
    in.text("for", out.forWhom);
    in.text("organisation", out.organisation);
    in.text("contact", out.contact);
    in.text("mail", out.mail);
    in.text("description", out.description);
    if (!in.why.empty())
        return notALayout(thing, in.why);
    return out;
}

std::vector<PackageLayout> packageLayoutsFrom(const std::vector<std::string>& kept) {
    return layoutsThere(kept, packageLayoutFromJson, shippedPackageLayouts());
}

const PackageLayout* packageLayoutNamed(const std::vector<PackageLayout>& layouts, std::string_view name) {
    return layoutOfName(layouts, name);
}

PackageInfo packageInfo(const PackageLayout& layout, const std::string& title, const std::string& number) {
    return {{"Source-Organization", layout.organisation},
            {"Contact-Name", layout.contact},
            {"Contact-Email", layout.mail},
            {"External-Identifier", number},
            {"External-Description", layout.description.empty() ? title : layout.description}};
}

} // namespace moorfrost::deliver
