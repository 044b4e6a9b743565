using System.Collections.Frozen;
using System.Globalization;
using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Packing;

namespace Kalypto.Core.Platforms.Code;

/// <summary>
/// The pictures for TypeScript: each as an object with the address of its best file, its size and its other files. The addresses
/// are written as bundlers find them (HTML, 8.1.6.2 <c>import.meta</c>; URL Standard).
/// </summary>
internal static class TypeScriptNames
{
    // ECMA-262, 12.7.2, with the words and names of strict code (13.1.1), and what the file itself declares.
    private static readonly FrozenSet<string> Words = [.. FrozenSet.Create(
        "await", "break", "case", "catch", "class", "const", "continue", "debugger", "default", "delete", "do", "else", "enum", "export", "extends", "false", "finally", "for",
        "function", "if", "implements", "import", "in", "instanceof", "interface", "let", "new", "null", "package", "private", "protected", "public", "return", "static",
        "super", "switch", "this", "throw", "true", "try", "typeof", "var", "void", "while", "with", "yield"), "URL", "pictures", "arguments", "eval", "undefined"];

    /// <summary>The file.</summary>
    /// <param name="path">Its path.</param>
    /// <param name="platform">The platform.</param>
    /// <param name="className">What the type of a picture is called, in the plural.</param>
    /// <param name="pictures">The pictures.</param>
    /// <param name="relative">The path of a file, counted from this one.</param>
    public static SideFile File(string path, IPlatform platform, string className, IEnumerable<CodePicture> pictures, Func<PlannedFile, string> relative) => new(platform.Id, path, () =>
    {
        var type = className.Length > 2 && className.EndsWith('s') ? className[..^1] : className + "File";
        var names = Identifiers.Of(platform, pictures, pascal: false, Words).ToList();
        var text = new StringBuilder($$"""
            // Written by Kalypto. What is changed here is lost with the next delivery.

            /** One file of a picture. */
            export interface {{type}}Source {
              /** Its address. */
              readonly src: string;
              /** Its media type. */
              readonly type: string;
              /** Its width in px. */
              readonly width: number;
            }

            /** A picture. */
            export interface {{type}} {
              /** The address of its best file. */
              readonly src: string;
              /** Its width in CSS px. */
              readonly width: number;
              /** Its height in CSS px. */
              readonly height: number;
              /** What is read aloud instead of it; empty for nothing. */
              readonly alt: string;
              /** All of its files. */
              readonly sources: readonly {{type}}Source[];
            }


            """.Replace("\r", "", StringComparison.Ordinal));
        foreach (var (name, picture) in names)
        {
            text.Append("/** ").Append(picture.About("px")).Append(" */\nexport const ").Append(name).Append(": ").Append(type).Append(" = {\n");
            text.Append(CultureInfo.InvariantCulture, $"  src: {Address(relative(picture.Files[0]))},\n  width: {Numbers.Text(picture.Size.Width)},\n  height: {Numbers.Text(picture.Size.Height)},\n  alt: {Identifiers.Quoted(picture.Picture.AltFor(platform.Id))},\n  sources: [\n");
            foreach (var file in picture.Files)
            {
                text.Append(CultureInfo.InvariantCulture, $"    {{ src: {Address(relative(file))}, type: \"{file.Format.MediaType}\", width: {file.Width} }},\n");
            }
            text.Append("  ],\n};\n\n");
        }
        text.Append("/** All pictures by name. */\nexport const pictures = { ").AppendJoin(", ", names.Select(n => n.Name)).Append(" } as const;\n");
        return text.ToString();
    });

    private static string Address(string path) => $"new URL({Identifiers.Quoted("./" + path)}, import.meta.url).href";
}
