namespace Kalypto.Application.Editing;

/// <summary>A change to the recipes that somebody asks for.</summary>
/// <param name="Do">What to change: words, all, credit, budget, folders, brackets, code, add, remove, import or copy.</param>
/// <param name="Kind">The kind; null for every kind.</param>
/// <param name="Platform">The id of the platform; null for all.</param>
/// <param name="Tags">Words of the tag line.</param>
/// <param name="Weight">A budget, such as <c>40kB</c>; empty for none.</param>
/// <param name="Copyright">The copyright line.</param>
/// <param name="Author">The author.</param>
/// <param name="Contact">Where to ask.</param>
/// <param name="ByScale">A folder a scale.</param>
/// <param name="ByFormat">A folder a format.</param>
/// <param name="Suffix">What stands behind names for the scale.</param>
/// <param name="Json">Recipes from a file.</param>
/// <param name="From">The project to copy from.</param>
/// <param name="DrawingDecides">A format in the brackets of the drawing decides that a layer ships.</param>
/// <param name="ClassName">The class that holds the names for code.</param>
/// <param name="KotlinPackage">The package of the Kotlin file.</param>
/// <param name="Namespace">The namespace of the C# file.</param>
/// <param name="IsWpf">True for addresses of WPF.</param>
public sealed record RecipeWish(
    string Do, string? Kind = null, string? Platform = null, string? Tags = null, string? Weight = null, string? Copyright = null, string? Author = null, string? Contact = null,
    bool ByScale = false, bool ByFormat = false, string? Suffix = null, string? Json = null, int? From = null, bool DrawingDecides = true,
    string? ClassName = null, string? KotlinPackage = null, string? Namespace = null, bool IsWpf = false);
