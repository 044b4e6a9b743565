using System.Text;
using Kalypto.Core.Naming;
using Kalypto.Core.Packing;

namespace Kalypto.Core.Platforms.Code;

/// <summary>The drawable resources for Kotlin: each by its field of <c>R</c>, so that the compiler and the resource shrinker see which are used.</summary>
internal static class KotlinNames
{
    /// <summary>The file.</summary>
    public static SideFile File(string path, IPlatform platform, string className, string package, IEnumerable<CodePicture> pictures) => new(platform.Id, path, () =>
    {
        var kotlin = new StringBuilder("// Written by Kalypto. What is changed here is lost with the next delivery.\n// The package is the namespace of the module that holds the resources, so that its R is found.\npackage ").Append(package)
            .Append("\n\n/** The pictures among the drawable resources. */\nobject ").Append(className).Append(" {\n");
        foreach (var (name, picture) in Identifiers.Of(platform, pictures, pascal: false, ReservedWords.Kotlin))
        {
            kotlin.Append("    /** ").Append(picture.About("dp")).Append(" */\n    val ").Append(name).Append(": Int get() = R.drawable.").Append(picture.Value).Append('\n');
        }
        return kotlin.Append("}\n").ToString();
    });
}
