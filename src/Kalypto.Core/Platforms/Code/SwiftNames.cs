using System.Text;
using Kalypto.Core.Naming;
using Kalypto.Core.Packing;

namespace Kalypto.Core.Platforms.Code;

/// <summary>The pictures of an asset catalog for Swift: their names, and the images that SwiftUI and the compiler know of them.</summary>
internal static class SwiftNames
{
    /// <summary>The file.</summary>
    public static SideFile File(string path, IPlatform platform, string className, IEnumerable<CodePicture> pictures) => new(platform.Id, path, () =>
    {
        var names = Identifiers.Of(platform, pictures, pascal: false, [.. ReservedWords.Swift, "bundle"]).ToList();
        var swift = new StringBuilder("// Written by Kalypto. What is changed here is lost with the next delivery.\n\nimport Foundation\n\n")
            .Append("/// The names of the pictures in the asset catalog.\n").Append("public enum ").Append(className).Append(" {\n");
        swift.Append("    /// Where the catalog lies: the app itself. In a package write `.module`.\n    public static let bundle: Bundle = .main\n\n");
        foreach (var (name, picture) in names)
        {
            swift.Append("    /// ").Append(picture.About("pt")).Append("\n    public static let ").Append(name).Append(" = ").Append(Identifiers.Quoted(picture.Value)).Append('\n');
        }
        swift.Append("}\n");
        // Names of their own type: the compiler makes members of Image and ImageResource of a catalog itself, which these must not meet.
        Extension(swift, className, "SwiftUI", "", "Images", "The pictures as images for views.", names, picture => $"public static var {{0}}: Image {{ Image({Identifiers.Quoted(picture.Value)}, bundle: {className}.bundle) }}");
        Extension(swift, className, "DeveloperToolsSupport", "@available(iOS 17.0, macOS 14.0, tvOS 17.0, watchOS 10.0, *)\n", "Resources", "The pictures as image resources, as `Image(_:)` and `UIImage(resource:)` take them.", names,
            picture => $"public static var {{0}}: ImageResource {{ ImageResource(name: {Identifiers.Quoted(picture.Value)}, bundle: {className}.bundle) }}");
        return swift.ToString();
    });

    private static void Extension(StringBuilder swift, string className, string module, string available, string type, string about, List<(string Name, CodePicture Picture)> names, Func<CodePicture, string> member)
    {
        swift.Append("\n#if canImport(").Append(module).Append(")\nimport ").Append(module).Append("\n\n").Append(available).Append("extension ").Append(className)
            .Append(" {\n    /// ").Append(about).Append("\n    public enum ").Append(type).Append(" {\n");
        foreach (var (name, picture) in names)
        {
            swift.Append("        ").Append(member(picture).Replace("{0}", name, StringComparison.Ordinal)).Append('\n');
        }
        swift.Append("    }\n}\n#endif\n");
    }
}
