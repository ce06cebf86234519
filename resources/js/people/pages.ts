export { AccountPage } from './AccountPage';
export { InvitationPage, NewPasswordPage, SharedPage } from './ChoosePassword';
export { PeoplePage } from './PeoplePage';
export { SignInPage } from './SignInPage';
export { TrailPage } from './TrailPage';
