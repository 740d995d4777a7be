# What is installed beside the programs: what desktops, shells and man read. `cmake --install` to any prefix.
include(GNUInstallDirs)

# A program's page of the manual and what shells complete of it are printed by the program itself.
set(documents ${CMAKE_BINARY_DIR}/share)
file(MAKE_DIRECTORY ${documents}/man/man1 ${documents}/completions ${documents}/doc)
add_custom_command(OUTPUT ${documents}/man/man1/moorfrost-cli.1.gz
                   COMMAND sh -c "\"$1\" man | gzip -9n > \"$2\"" sh $<TARGET_FILE:moorfrost-cli> ${documents}/man/man1/moorfrost-cli.1.gz
                   DEPENDS moorfrost-cli VERBATIM)
add_custom_command(OUTPUT ${documents}/man/man1/moorfrost.1.gz
                   COMMAND sh -c "\"$1\" --man | gzip -9n > \"$2\"" sh $<TARGET_FILE:moorfrost> ${documents}/man/man1/moorfrost.1.gz
                   DEPENDS moorfrost VERBATIM)
set(completions)
foreach(shell bash zsh fish)
  add_custom_command(OUTPUT ${documents}/completions/${shell}
                     COMMAND sh -c "\"$1\" completion \"$2\" > \"$3\"" sh $<TARGET_FILE:moorfrost-cli> ${shell} ${documents}/completions/${shell}
                     DEPENDS moorfrost-cli VERBATIM)
  list(APPEND completions ${documents}/completions/${shell})
endforeach()
add_custom_command(OUTPUT ${documents}/doc/changelog.gz
                   COMMAND sh -c "gzip -9nc \"$1\" > \"$2\"" sh ${CMAKE_SOURCE_DIR}/packaging/changelog ${documents}/doc/changelog.gz
                   DEPENDS ${CMAKE_SOURCE_DIR}/packaging/changelog VERBATIM)
add_custom_target(moorfrost_documents ALL DEPENDS
                  ${documents}/man/man1/moorfrost-cli.1.gz ${documents}/man/man1/moorfrost.1.gz ${completions}
                  ${documents}/doc/changelog.gz)
install(FILES ${documents}/man/man1/moorfrost-cli.1.gz ${documents}/man/man1/moorfrost.1.gz DESTINATION ${CMAKE_INSTALL_MANDIR}/man1)
install(FILES ${documents}/completions/bash DESTINATION ${CMAKE_INSTALL_DATADIR}/bash-completion/completions RENAME moorfrost-cli)
install(FILES ${documents}/completions/zsh DESTINATION ${CMAKE_INSTALL_DATADIR}/zsh/vendor-completions RENAME _moorfrost-cli)
install(FILES ${documents}/completions/fish DESTINATION ${CMAKE_INSTALL_DATADIR}/fish/vendor_completions.d RENAME moorfrost-cli.fish)
install(FILES ${documents}/doc/changelog.gz DESTINATION ${CMAKE_INSTALL_DATADIR}/doc/moorfrost)
install(FILES ${CMAKE_SOURCE_DIR}/packaging/copyright DESTINATION ${CMAKE_INSTALL_DATADIR}/doc/moorfrost)

set(id org.moorfrost.Moorfrost)
foreach(file ${id}.desktop ${id}.metainfo.xml)
  configure_file(${CMAKE_SOURCE_DIR}/packaging/${file}.in ${CMAKE_BINARY_DIR}/packaging/${file} @ONLY)
endforeach()
install(FILES ${CMAKE_BINARY_DIR}/packaging/${id}.desktop DESTINATION ${CMAKE_INSTALL_DATADIR}/applications)
# The bus wants to know where the program is: which is known only when it is installed.
install(CODE "set(PROGRAM \"\${CMAKE_INSTALL_PREFIX}/${CMAKE_INSTALL_BINDIR}/moorfrost\")
configure_file(\"${CMAKE_SOURCE_DIR}/packaging/${id}.service.in\" \"${CMAKE_BINARY_DIR}/packaging/${id}.service\" @ONLY)")
install(FILES ${CMAKE_BINARY_DIR}/packaging/${id}.service DESTINATION ${CMAKE_INSTALL_DATADIR}/dbus-1/services)
install(FILES ${CMAKE_BINARY_DIR}/packaging/${id}.metainfo.xml DESTINATION ${CMAKE_INSTALL_DATADIR}/metainfo)
install(FILES ${CMAKE_SOURCE_DIR}/packaging/${id}.svg DESTINATION ${CMAKE_INSTALL_DATADIR}/icons/hicolor/scalable/apps)
