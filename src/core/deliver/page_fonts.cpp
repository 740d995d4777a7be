// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/page_fonts.h"

#include <fontconfig/fontconfig.h>
#include <pango/pangofc-fontmap.h>

#include "core/base/helper_program.h"

namespace moorfrost::deliver {

namespace {

FcConfig* withOurFonts() {
    FcConfig* config = FcInitLoadConfigAndFonts();
    if (!config)
        return nullptr;
    if (const Path folder = sharedFolder("fonts"); !folder.empty())
        FcConfigAppFontAddDir(config, reinterpret_cast<const FcChar8*>(folder.c_str()));
    return config;
}

} // namespace

PangoFontMap* pageFonts() {
    static FcConfig* const config = withOurFonts(); // read once, never changed, kept to the end
    PangoFontMap* map = pango_cairo_font_map_new_for_font_type(CAIRO_FONT_TYPE_FT);
    if (config)
        pango_fc_font_map_set_config(PANGO_FC_FONT_MAP(map), config);
    return map;
}

} // namespace moorfrost::deliver
