namespace Kalypto.Application.People;

/// <summary>Sends mail.</summary>
public interface IMail
{
    /// <summary>Sends one.</summary>
    void Send(Mail mail);
}
