namespace Kalypto.Core.Asking;

/// <summary>What is asked for.</summary>
public enum QuestionKind
{
    /// <summary>Free words: a question, or a remark.</summary>
    Words,
    /// <summary>A layer needs to be a picture.</summary>
    Picture,
    /// <summary>A layer needs to be built in code.</summary>
    Code,
    /// <summary>A state of a button is missing.</summary>
    State,
}
