namespace Kalypto.Core.Naming;

/// <summary>How the words of a new name are written.</summary>
public enum NameStyle
{
    /// <summary>As typed.</summary>
    AsTyped,

    /// <summary><c>book-button</c></summary>
    Hyphens,

    /// <summary><c>book_button</c></summary>
    Underscores,

    /// <summary><c>bookButton</c></summary>
    Camel,

    /// <summary><c>Book button</c></summary>
    Sentence,
}
