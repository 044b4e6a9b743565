using System.Text;
using Kalypto.Core.Naming;
using Kalypto.Core.Packing;

namespace Kalypto.Core.Platforms.Code;

/// <summary>The pictures among the assets for Dart: as images that widgets show, and all of them by their paths.</summary>
internal static class DartNames
{
    /// <summary>The file.</summary>
    public static SideFile File(string path, IPlatform platform, string className, IEnumerable<CodePicture> pictures) => new(platform.Id, path, () =>
    {
        var names = Identifiers.Of(platform, pictures, pascal: false, ReservedWords.Dart).ToList();
        var dart = new StringBuilder("// Written by Kalypto. What is changed here is lost with the next delivery.\n\nimport 'package:flutter/widgets.dart';\n\n");
        Class(dart, className, "The pictures among the assets. Those that turn round where languages run from right to left want `matchTextDirection: true`.",
            names.Where(n => n.Picture.Files[0].Format != Formats.Format.Svg).Select(n => (n, $"AssetImage('{n.Picture.Value}')")));
        dart.Append('\n');
        Class(dart, className + "Paths", "The paths of the pictures among the assets.", names.Select(n => (n, $"'{n.Picture.Value}'")));
        return dart.ToString();
    });

    private static void Class(StringBuilder dart, string name, string about, IEnumerable<((string Name, CodePicture Picture) Named, string Value)> members)
    {
        dart.Append("/// ").Append(about).Append("\nabstract final class ").Append(name).Append(" {\n");
        foreach (var ((member, picture), value) in members)
        {
            dart.Append("  /// ").Append(picture.About("px")).Append(picture.Picture.MakingFor("flutter").Mirror ? ", turned round from right to left" : "").Append("\n  static const ").Append(member).Append(" = ").Append(value).Append(";\n");
        }
        dart.Append("}\n");
    }
}
