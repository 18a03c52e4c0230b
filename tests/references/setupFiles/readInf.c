/*
 * Reads setup information files by the system's own interface, as Wine implements it, and prints sections, lines and
 * fields: "S name", then "L field<TAB>field…", field 0 being the key. What record.ts compares with is made from this.
 */
#include <windows.h>
#include <setupapi.h>
#include <stdio.h>

typedef BOOL(WINAPI *EnumSections)(HINF, UINT, LPWSTR, DWORD, DWORD *);

static void put(const WCHAR *text)
{
    char utf8[16384];
    WideCharToMultiByte(CP_UTF8, 0, text, -1, utf8, sizeof utf8, NULL, NULL);
    for (char *at = utf8; *at; at++)
        putchar(*at == '\t' || *at == '\n' || *at == '\r' ? ' ' : *at);
}

int main(int argc, char **argv)
{
    EnumSections sections =
        (EnumSections)GetProcAddress(GetModuleHandleA("setupapi.dll"), "SetupEnumInfSectionsW");
    for (int file = 1; file < argc; file++) {
        UINT broken = 0;
        HINF inf = SetupOpenInfFileA(argv[file], NULL, INF_STYLE_WIN4 | INF_STYLE_OLDNT, &broken);
        printf("F %s\n", argv[file]);
        if (inf == INVALID_HANDLE_VALUE) {
            printf("E %lu %u\n", GetLastError(), broken);
            continue;
        }
        WCHAR name[512], field[8192];
        DWORD length;
        for (UINT n = 0; sections(inf, n, name, 512, &length); n++) {
            INFCONTEXT line;
            printf("S ");
            put(name);
            putchar('\n');
            if (!SetupFindFirstLineW(inf, name, NULL, &line)) continue;
            do {
                DWORD count = SetupGetFieldCount(&line);
                printf("L ");
                for (DWORD f = 0; f <= count; f++) {
                    if (f > 0) putchar('\t');
                    if (SetupGetStringFieldW(&line, f, field, 8192, &length)) put(field);
                }
                putchar('\n');
            } while (SetupFindNextLine(&line, &line));
        }
        SetupCloseInfFile(inf);
    }
    return 0;
}
