using Kalypto.Core.Designs;

namespace Kalypto.Core.Tagging;

/// <summary>The built-in kinds of pictures.</summary>
public static class Kinds
{
    /// <summary>Their names, as they are typed.</summary>
    public static IReadOnlyList<string> All { get; } = ["icon", "button", "logo", "photo", "picture", "screen"];

    /// <summary>The kind of a layer that nobody gave one, from what it is made of.</summary>
    public static string Of(Layer layer) => layer.Content switch
    {
        LayerContent.Screen => "screen",
        LayerContent.Image => "photo",
        _ => "picture",
    };
}
