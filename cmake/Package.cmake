# The Debian package with its debug symbols, and a source archive that needs no git: scripts/package.
set(CMAKE_SKIP_INSTALL_ALL_DEPENDENCY ON) # tests and benchmarks are not waited for
set(CPACK_PACKAGE_NAME moorfrost)
set(CPACK_PACKAGE_VERSION ${PROJECT_VERSION})
set(CPACK_PACKAGE_VENDOR "Moorfrost developers")
set(CPACK_PACKAGE_CONTACT "Moorfrost developers <developers@moorfrost.invalid>")
set(CPACK_PACKAGE_HOMEPAGE_URL "https://moorfrost.invalid/")
set(CPACK_PACKAGE_DESCRIPTION_SUMMARY "tag, name, identify and put away audio files")
set(CPACK_DEBIAN_PACKAGE_DESCRIPTION
"Moorfrost takes music archivists and producers from folders of files
that nobody has put in order to a consistent library that can be
searched.
.
Every change is a draft first, every write is a line in the journal and
can be taken back, and the sound of a file is never changed.
.
This package has the application, its command line, and its manual.")
set(CPACK_PACKAGING_INSTALL_PREFIX /usr)
set(CPACK_GENERATOR DEB)
set(CPACK_DEBIAN_FILE_NAME DEB-DEFAULT)
set(CPACK_DEBIAN_PACKAGE_SECTION sound)
set(CPACK_DEBIAN_PACKAGE_PRIORITY optional)
set(CPACK_DEBIAN_PACKAGE_SHLIBDEPS ON)
# What no program links: fonts for scripts that ours have not, what Qt says itself in other languages.
set(CPACK_DEBIAN_PACKAGE_RECOMMENDS "fonts-droid-fallback, qt6-translations-l10n, pulseaudio | pipewire-pulse")
set(CPACK_DEBIAN_DEBUGINFO_PACKAGE ON)
set(CPACK_DEBIAN_COMPRESSION_TYPE xz)
set(CPACK_INSTALL_DEFAULT_DIRECTORY_PERMISSIONS OWNER_READ OWNER_WRITE OWNER_EXECUTE GROUP_READ GROUP_EXECUTE WORLD_READ WORLD_EXECUTE)
set(CPACK_SOURCE_GENERATOR TXZ)
set(CPACK_SOURCE_PACKAGE_FILE_NAME moorfrost-${PROJECT_VERSION})
set(CPACK_SOURCE_IGNORE_FILES "/\\\\.git/" "/build/" "/demo-data/" "/node_modules/" "\\\\.swp$" "/\\\\.cache/")
include(CPack)
