namespace Kalypto.Core.Designs;

/// <summary>What a layer is made of.</summary>
public enum LayerContent
{
    /// <summary>A group of other layers.</summary>
    Group,
    /// <summary>One path, rectangle, circle or the like.</summary>
    Shape,
    /// <summary>Text.</summary>
    Text,
    /// <summary>An embedded picture.</summary>
    Image,
    /// <summary>A repeat of another layer or of a symbol (<c>use</c>).</summary>
    Repeat,
    /// <summary>A screen: the whole drawing, a nested drawing in it, or a view of it.</summary>
    Screen,
}
